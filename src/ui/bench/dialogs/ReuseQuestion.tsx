'use client';
import { Box } from '@chakra-ui/react';
import type { SheetState } from '@/core/entities/entities';
import { getModelPart, type Model } from '@/core/procedure/model';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import { Caution } from '@/ui/base/Caution';
import { KeyButton } from '@/ui/keys/KeyButton';
import * as words from '@/words/catalogue/bench';

/** A part that is renewed as a rule comes off: whether it can be used again is seen now, and decides what the way back takes. */
export function ReuseQuestion({
  model,
  step,
  state,
  onJudge,
}: {
  readonly model: Model;
  readonly step: SheetStep;
  readonly state: SheetState;
  readonly onJudge: (partRef: string, isReused: boolean) => void;
}) {
  const asked = step.frees
    .map((id) => getModelPart(model, id))
    .find(({ singleUse, reusableIf }) => singleUse === true && reusableIf !== undefined);
  if (!asked || state.kind !== 'rebuild' || step.leg !== 'out') return null;
  const isReused = state.reused.includes(asked.id);
  return (
    <Box mb="8px">
      <Caution tone={isReused ? 'sound' : 'waiting'} what={asked.reusableIf ?? ''}>
        {isReused ? `${words.goesBackAs({ name: asked.name })} ` : `${words.otherwiseRenewed({ name: asked.name })} `}
        <KeyButton
          records
          keyName="y"
          label={words.noRenew({ isReused: isReused ? 'yes' : 'no' })}
          size="small"
          onPress={() => onJudge(asked.id, !isReused)}
        />
      </Caution>
    </Box>
  );
}
