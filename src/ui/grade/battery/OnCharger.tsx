'use client';
import { Box, chakra } from '@chakra-ui/react';
import { conditionedAt, conditioningOf, minutesOf, stepAt, type ConditioningStep } from '@/core/battery/conditioning';
import type { CellRecord } from '@/core/battery/cellRecord';
import type { Part } from '@/core/entities/entities';
import type { Shop } from '@/ui/facts/ShopProvider';
import { KeyButton } from '@/ui/keys/KeyButton';
import { useShopMinute } from '@/ui/timers/useSecond';
import { clock, minutes } from '@/words/format';
import * as words from '@/words/catalogue/grade';

/** About how much of its charge is in a cell as it comes out of a unit. */
const usuallyFilled = 0.3;
/** What a cell holds of its rating, about, where nothing has said. */
const usuallyHolds = 0.9;

const height = 22;

/** A cell's charge, hold, run and rest as a timeline; where it stands on its charger, and when it is done. */
export function OnCharger({
  part,
  cell,
  ratedAmpHours,
  capacityShare,
  shop,
}: {
  readonly part: Part;
  readonly cell: CellRecord;
  readonly ratedAmpHours: number;
  readonly capacityShare: number | undefined;
  readonly shop: Shop;
}) {
  const minute = useShopMinute();
  const { conditioning } = part;
  const health = (capacityShare ?? cell.gaugeShare ?? 100 * usuallyHolds) / 100;
  const steps = conditioning?.steps ?? conditioningOf({ ratedAmpHours }, health, usuallyFilled);
  const whole = minutesOf(steps);
  const now = minute * 60_000;
  const isOver = conditioning !== undefined && minute > 0 && now >= conditionedAt(conditioning);
  const current = conditioning && minute > 0 ? stepAt(conditioning, now) : null;
  const gone = conditioning && minute > 0 ? Math.min(1, (now - Date.parse(conditioning.beganAt)) / 60_000 / whole) : 0;
  const put = () => void shop.act('cell-conditioned', part.id, { ratedAmpHours, health, filled: usuallyFilled });
  return (
    <Box py="10px" borderTopWidth="1px" borderColor="rule">
      <Box display="flex" gap="14px" alignItems="center" flexWrap="wrap">
        <Box flex="1" minW="220px" role="status" fontWeight={conditioning ? '600' : undefined}>
          {conditioning
            ? isOver
              ? words.conditionedNow({ time: clock(new Date(conditionedAt(conditioning)).toISOString()) })
              : words.conditioningUntil({
                  does: current?.step.does.replaceAll('-', '_') ?? 'charge',
                  until: clock(new Date(current?.endsAt ?? conditionedAt(conditioning)).toISOString()),
                  done: clock(new Date(conditionedAt(conditioning)).toISOString()),
                })
            : words.conditionIt({ minutes: minutes(whole) })}
        </Box>
        <KeyButton
          records
          keyName="o"
          label={words.onCharger({ isOn: conditioning ? 'yes' : 'no' })}
          size="small"
          look={isOver ? 'action' : 'outline'}
          isEnabled={conditioning !== undefined || ratedAmpHours > 0}
          onPress={conditioning ? () => void shop.act('cell-taken-off', part.id, {}) : put}
        />
      </Box>
      <chakra.svg
        viewBox={`0 0 100 ${height}`}
        preserveAspectRatio="none"
        w="100%"
        h={`${height}px`}
        mt="8px"
        role="img"
        aria-label={words.conditioningSteps({ steps: steps.map(sayStep) })}
      >
        {steps.map((step, at) => {
          const from = (100 * minutesOf(steps.slice(0, at))) / whole;
          return (
            <chakra.rect
              key={`${step.does} ${from}`}
              x={from}
              y={step.does === 'rest' ? height * 0.6 : 0}
              width={Math.max(0.2, (100 * step.minutes) / whole - 0.25)}
              height={step.does === 'rest' ? height * 0.4 : height}
              fill={step.does === 'run-down' ? 'twine' : 'waiting'}
              fillOpacity={current?.at === at ? 1 : 0.45}
            />
          );
        })}
        {conditioning && <chakra.rect x={Math.min(99.5, 100 * gone)} y="0" width="0.5" height={height} fill="ink" />}
      </chakra.svg>
      <Box textStyle="note" color="inkMuted" mt="4px" aria-hidden>
        {steps.map(sayStep).join(' · ')}
      </Box>
    </Box>
  );
}

const sayStep = (step: ConditioningStep): string =>
  words.conditioningStep({ does: step.does.replaceAll('-', '_'), minutes: minutes(step.minutes) });
