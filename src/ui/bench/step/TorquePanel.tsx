'use client';
import { Box } from '@chakra-ui/react';
import type { SheetState } from '@/core/entities/entities';
import { screwName } from '@/core/procedure/drives';
import { torqueState, type TorqueReading, type TorqueVerdict } from '@/core/screws/torqueState';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import { beep } from '@/ui/base/beep';
import { Caution } from '@/ui/base/Caution';
import { Section } from '@/ui/base/Section';
import { KeyButton } from '@/ui/keys/KeyButton';
import { SimulatedDriver } from '@/ui/devices/SimulatedDriver';
import { useBenchInstruments } from '@/ui/devices/useBenchInstruments';
import { useTorque } from '@/ui/devices/useTorque';
import * as words from '@/words/catalogue/benchLater';

const verdictWords: Readonly<Record<TorqueVerdict, string>> = {
  none: '',
  low: words.tooLoose(),
  good: 'right',
  high: words.tooTight(),
  kept: words.kept(),
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
  useBenchInstruments('torque');
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
      title={words.startAllAlignThenTighten()}
      note={next ? words.nextScrewInNcm({ screw: screwName(next) }) : 'N·cm'}
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
              {reading === null ? words.aimAt({ aim: torque.aim }) : `${reading} ${verdictWords[verdict]}`}
            </Box>
          </Box>
        ))}
      </Box>
      <Box display="grid" gap="8px" pt="10px">
        {wrong && (
          <Caution what={words.screw3({ wrong: screws.indexOf(wrong) + 1, verdict: verdictWords[wrong.verdict] })}>
            {words.betweenAndLoosenAndTighten({ low: wrong.torque.low, high: wrong.torque.high })}{' '}
            <KeyButton
              records
              keyName="y"
              label={words.keep()}
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
