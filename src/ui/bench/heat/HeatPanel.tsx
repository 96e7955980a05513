'use client';
import { Box } from '@chakra-ui/react';
import { useEffect, useMemo, useState } from 'react';
import { fitCoupling, type HeaterSwitch } from '@/core/heat/fitCoupling';
import { heatPlan, soakPeak, soakStep } from '@/core/heat/heatPlan';
import { heatQuestion } from '@/core/heat/stackOf';
import { networkStep } from '@/core/heat/thermalNetwork';
import type { Model } from '@/core/procedure/model';
import type { Operation } from '@/core/procedure/operations';
import { Caution } from '@/ui/base/Caution';
import { shopNow } from '@/ui/server/shopClock';
import { Section } from '@/ui/base/Section';
import { beep } from '@/ui/base/beep';
import { KeyButton } from '@/ui/keys/KeyButton';
import { SimulatedProbe } from '@/ui/devices/SimulatedProbe';
import { useBenchInstruments } from '@/ui/devices/useBenchInstruments';
import { useProbe } from '@/ui/devices/useProbe';
import { HeatChart } from './HeatChart';
import { HeatStretches } from './HeatStretches';
import { sayPlan } from './heatWords';
import { useHouseRules } from '@/ui/rules/RulesProvider';
import { capital } from '@/words/format';
import { sayHeat } from '@/words/say/sayHands';
import * as words from '@/words/catalogue/benchLater';

/** A fit from fewer readings swings too much to be told. */
const fewestReadings = 5;
/** It is said so many seconds before the cell would be on its way past its limit. */
const warnSeconds = 20;

interface HeatPanelProps {
  readonly model: Model;
  readonly operation: Operation;
  readonly outParts: readonly string[];
  /** When the timer of the step began, which is when the heater came on. */
  readonly beganAt: string | null;
  /** Its timer says when the heater comes on; without one a key does. */
  readonly isTimed: boolean;
}

/** When to heat and for how long, by the estimate; and, once a probe reads, by the probe. */
export function HeatPanel({ model, operation, outParts, beganAt, isTimed }: HeatPanelProps) {
  const { roomCelsius } = useHouseRules();
  const out = outParts.join(' ');
  const question = useMemo(
    () => heatQuestion(model, operation, roomCelsius, out === '' ? [] : out.split(' ')),
    [model, operation, out, roomCelsius],
  );
  const plan = useMemo(() => question && heatPlan(question.stack, question.heater, question.goal), [question]);
  const [byHand, setByHand] = useState<number | null>(null);
  const [switches, setSwitches] = useState<readonly HeaterSwitch[]>([]);
  const sinceMs = beganAt === null ? byHand : Date.parse(beganAt);
  const isOn = sinceMs !== null && (switches.at(-1)?.isOn ?? true);
  const turn = () => {
    const now = shopNow();
    if (sinceMs === null) setByHand(now);
    else setSwitches((before) => [...before, { seconds: (now - sinceMs) / 1000, isOn: !isOn }]);
  };
  useBenchInstruments('celsius');
  const { readings, broken } = useProbe(sinceMs);
  const live = useMemo(() => {
    if (!question || readings.length < fewestReadings) return null;
    const { stack, heater, goal } = question;
    const fit = fitCoupling(stack, heater, readings, undefined, switches);
    if (!fit) return null;
    const rest = heatPlan(stack, fit.heater, goal, fit.now);
    const soon = networkStep(stack, isOn ? fit.heater : null, warnSeconds)(fit.now);
    const peak = soakPeak(soon, networkStep(stack, null, soakStep), stack.cell);
    return { fit, rest, isClose: peak > goal.limitCelsius - goal.marginKelvin };
  }, [question, readings, switches, isOn]);
  const isClose = live?.isClose ?? false;
  useEffect(() => {
    if (isClose) beep('wrong');
  }, [isClose]);
  if (!question || !plan) return null;
  const { goal, heater } = question;
  return (
    <Section
      title={words.heatAtC({ source: operation.heat?.source ?? '', celsius: heater.celsius })}
      note={words.estimateProbeDecides()}
      mt="12px"
    >
      <Box pt="10px" display="grid" gap="8px">
        <Box>{sayPlan(plan, goal)}</Box>
        {operation.heat?.setting && <Box fontWeight="600">{capital(sayHeat(operation.heat))}.</Box>}
        {live && (
          <Box color="action" fontWeight="600" role="status">
            {words.byProbeWarms({
              coupling: sayPace(live.fit.heater.coupling / heater.coupling),
              itDoesNotGetSoft:
                live.rest.readySeconds === 0
                  ? words.softNow()
                  : live.rest.isReached
                    ? words.softIn({ readySeconds: live.rest.readySeconds })
                    : words.willNotGetSoftLike(),
            })}
          </Box>
        )}
        {broken !== null && (
          <Caution
            tone="waiting"
            what={words.probeReadsNothing({
              isFiniteBroken: Number.isFinite(broken) ? 'yes' : 'no',
              broken,
            })}
          >
            {words.thatImpossiblePressProbeOn()}
          </Caution>
        )}
        {isClose && (
          <Caution what={words.offNow()}>
            {words.batteryWouldPassCWithin({ marginKelvin: goal.limitCelsius - goal.marginKelvin, warnSeconds })}
          </Caution>
        )}
        <HeatChart question={question} plan={plan} readings={readings} />
        <HeatStretches model={model} operation={operation} question={question} />
        {!question.isOwnStack && (
          <Box textStyle="note" color="inkMuted">
            {words.modelDoesNotSayWhat()}
          </Box>
        )}
        {(sinceMs !== null || !isTimed) && (
          <Box>
            <KeyButton
              keyName="v"
              label={words.heaterSwitchedOff({ isOn: isOn ? 'yes' : 'no' })}
              size="small"
              aria-pressed={isOn}
              onPress={turn}
            />
          </Box>
        )}
        {sinceMs !== null && <SimulatedProbe question={question} sinceMs={sinceMs} switches={switches} />}
      </Box>
    </Section>
  );
}

/** A pace against the estimate: “as estimated”, “a third quicker”. */
function sayPace(ratio: number): string {
  if (ratio > 0.9 && ratio < 1.1) return words.asEstimated();
  const percent = Math.round(Math.abs(ratio - 1) * 100);
  return words.betterThanEstimated({ isRatio: ratio > 1 ? 'yes' : 'no', percent });
}
