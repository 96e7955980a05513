'use client';
import { Box } from '@chakra-ui/react';
import type { ReactNode } from 'react';
import { getModelPart, type Model } from '@/core/procedure/model';
import { seamInOrder } from '@/core/procedure/seamInOrder';
import type { RunSheet } from '@/core/teardown/sheet/runSheet';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import { Section } from '@/ui/base/Section';
import { KeyButton } from '@/ui/keys/KeyButton';
import { capital } from '@/words/format';
import { sayCue, sayStretch } from '@/words/say/sayHands';
import * as words from '@/words/catalogue/bench';

interface StepNotesProps {
  readonly model: Model;
  readonly step: SheetStep;
  readonly sheet: RunSheet;
  /** Something is to be looked at, and it is not as it should be. */
  readonly onFound: () => void;
}

/** Everything the author of the model wrote for this step, beside its title: at the hands, when it is needed. */
export function StepNotes({ model, step, sheet, onFound }: StepNotesProps) {
  const { hands, asks, start } = step;
  const seam = seamInOrder(hands?.seam ?? []);
  const freed = step.frees.map((id) => getModelPart(model, id)).filter(({ handling }) => handling !== undefined);
  const next = sheet.steps[sheet.steps.indexOf(step) + 1];
  const tools = [next?.tool, next?.hands?.withTool].filter(
    (tool) => tool !== undefined && tool !== 'Hands' && tool !== step.tool,
  );
  return (
    <Box display="grid" gap="16px">
      <Notes title={words.firstDo()} lines={hands?.prepare} />
      {start && (
        <Notes title={words.startFrom()} lines={[words.startAt({ edge: start.edge, offsetMm: start.offsetMm })]} />
      )}
      <Notes
        title={words.alongTheSeam()}
        lines={seam.map((segment) => sayStretch(segment, step.leg === 'back'))}
        isNumbered
      />
      <Notes title={words.rightWhen()} lines={hands?.cues?.map(sayCue)} />
      <Notes
        title={words.asItComesFree()}
        lines={freed.map(({ name, handling }) => words.handleSo({ name, handling: handling ?? '' }))}
      />
      {asks.length > 0 && (
        <Notes title={words.lookNow()} lines={asks.map(({ label, ask }) => words.askOf({ label, ask }))}>
          <KeyButton keyName="i" label={words.notAsItShould()} size="small" onPress={onFound} />
        </Notes>
      )}
      {tools.length > 0 && <Notes title={words.layOutNext()} lines={tools as readonly string[]} />}
    </Box>
  );
}

function Notes({
  title,
  lines = [],
  isNumbered = false,
  children,
}: {
  readonly title: string;
  readonly lines?: readonly string[];
  readonly isNumbered?: boolean;
  readonly children?: ReactNode;
}) {
  if (lines.length === 0) return null;
  return (
    <Section title={title}>
      <Box as={isNumbered ? 'ol' : 'ul'} pt="6px" display="grid" gap="4px">
        {lines.map((line, at) => (
          <Box as="li" key={line + String(at)} fontSize="16px">
            {isNumbered ? <strong>{at + 1}. </strong> : null}
            {capital(line)}
          </Box>
        ))}
      </Box>
      {children && <Box pt="6px">{children}</Box>}
    </Section>
  );
}
