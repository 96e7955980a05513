'use client';
import { Box } from '@chakra-ui/react';
import type { PlanAim } from '@/core/teardown/plan/teardownPlan';
import { KeyButton } from '@/ui/keys/KeyButton';
import * as words from '@/words/catalogue/planner';

/** What can be asked of the planner, and what its plan becomes. */
export function PlannerKeys({
  makeLabel,
  canMake,
  onMake,
  aim,
  onAim,
  asksPrices,
  onPrices,
  showsParts,
  onShow,
}: {
  readonly makeLabel: string;
  readonly canMake: boolean;
  readonly onMake: () => void;
  readonly aim: PlanAim['kind'];
  readonly onAim: (kind: PlanAim['kind']) => void;
  readonly asksPrices: boolean;
  readonly onPrices: () => void;
  readonly showsParts: boolean;
  readonly onShow: () => void;
}) {
  const aims: readonly (readonly [key: string, label: string, kind: PlanAim['kind']])[] = [
    ['w', words.whatPays(), 'pays'],
    ['t', words.pickParts(), 'parts'],
    ['v', words.everything(), 'everything'],
  ];
  return (
    <Box display="flex" flexWrap="wrap" gap="6px" pt="12px" borderTopWidth="1px" borderColor="rule">
      <KeyButton keyName=" " label={makeLabel} look="action" isEnabled={canMake} onPress={onMake} />
      {aims.map(([key, label, kind]) => (
        <KeyButton key={key} keyName={key} label={label} aria-pressed={aim === kind} onPress={() => onAim(kind)} />
      ))}
      <KeyButton keyName="p" label={words.prices()} aria-pressed={asksPrices} onPress={onPrices} />
      <KeyButton keyName="o" label={words.order({ isShowsParts: showsParts ? 'yes' : 'no' })} onPress={onShow} />
    </Box>
  );
}
