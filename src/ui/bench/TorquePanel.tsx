'use client';
import { Box } from '@chakra-ui/react';
import type { SheetState } from '@/core/bench/entities';
import { screwName } from '@/core/screws/screwGroups';
import { torqueState, type TorqueReading, type TorqueVerdict } from '@/core/screws/torqueState';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import { beep } from '@/ui/base/beep';
import { Caution } from '@/ui/base/Caution';
import { Section } from '@/ui/base/Section';
import { KeyButton } from '@/ui/keys/KeyButton';
import { SimulatedDriver } from '../devices/SimulatedDriver';
import { useTorque } from '../devices/useTorque';

const verdictWords: Readonly<Record<TorqueVerdict, string>> = {
  none: '',
  low: 'too loose',
  good: 'right',
  high: 'too tight',
  kept: 'stays so',
};

const isOutside = (verdict: TorqueVerdict): boolean => verdict === 'low' || verdict === 'high';

/** The screws of a step in the order in which they are tightened, each with what the driver read. */
export function TorquePanel({
  step,
  state,
  onRead,
}: {
  readonly step: SheetStep;
  readonly state: SheetState;
  readonly onRead: (reading: TorqueReading) => void;
}) {
  const { screws, next, open } = torqueState(step.id, step.joints, state.torques);
  useTorque((newtonCm) => {
    if (!next?.torqueNewtonCm) return;
    const { low, high } = next.torqueNewtonCm;
    beep(newtonCm >= low && newtonCm <= high ? 'well' : 'wrong');
    onRead({ stepId: step.id, jointId: next.id, newtonCm, isKept: false });
  });
  if (screws.length === 0) return null;
  const [wrong] = open;
  const of = next ?? screws[0]?.screw;
  return (
    <Section
      title="Start all, align, then tighten in order"
      note={next ? `next: ${screwName(next)}, N·cm` : 'N·cm'}
      mt="12px"
    >
      <Box as="ol" display="flex" flexWrap="wrap" gap="6px" pt="10px" listStyleType="none">
        {screws.map(({ screw, torque, reading, verdict }, at) => (
          <Box
            as="li"
            key={screw.id}
            bg={screw === next ? 'actionSoft' : 'sunk'}
            borderRadius="cup"
            px="10px"
            py="4px"
            display="flex"
            gap="8px"
            aria-current={screw === next ? 'step' : undefined}
          >
            <strong>{at + 1}</strong>
            <Box as="span" color={isOutside(verdict) ? 'danger' : reading === null ? 'inkMuted' : undefined}>
              {reading === null ? `aim ${torque.aim}` : `${reading} ${verdictWords[verdict]}`}
            </Box>
          </Box>
        ))}
      </Box>
      <Box display="grid" gap="8px" pt="10px">
        {wrong && (
          <Caution what={`Screw ${screws.indexOf(wrong) + 1} is ${verdictWords[wrong.verdict]}.`}>
            Between {wrong.torque.low} and {wrong.torque.high}: loosen and tighten it again, S if it is spoilt.{' '}
            <KeyButton
              keyName="y"
              label="It stays so"
              size="small"
              onPress={() =>
                onRead({ stepId: step.id, jointId: wrong.screw.id, newtonCm: wrong.reading ?? 0, isKept: true })
              }
            />
          </Caution>
        )}
        {of?.torqueNewtonCm && <SimulatedDriver torque={of.torqueNewtonCm} />}
      </Box>
    </Section>
  );
}
