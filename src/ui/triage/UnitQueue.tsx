'use client';
import { Box } from '@chakra-ui/react';
import type { ParcelLine, Unit } from '@/core/bench/entities';
import type { Model } from '@/core/procedure/model';
import { RowButton } from '@/ui/base/Row';
import { sayCount } from '@/ui/words/amounts';

interface UnitQueueProps {
  readonly units: readonly Unit[];
  readonly models: readonly Model[];
  readonly lines: Readonly<Record<string, ParcelLine>>;
  readonly chosen: string;
  readonly onChoose: (id: string) => void;
}

/** Units that wait, with what is known or promised of each. */
export function UnitQueue({ units, models, lines, chosen, onChoose }: UnitQueueProps) {
  return (
    <Box
      as="nav"
      aria-label="Units to look at"
      borderEndWidth="1px"
      borderColor="rule"
      py="18px"
      overflowY="auto"
      maxH="calc(100vh - 84px)"
    >
      <Box as="h2" textStyle="section" px="14px" mb="8px">
        {sayCount(units.length, 'unit')} to look at
      </Box>
      <ul>
        {units.map((unit) => {
          const known = models.find(({ id }) => id === unit.modelId)?.name;
          const promised = lines[unit.id]?.model;
          const isChosen = unit.id === chosen;
          return (
            <li key={unit.id}>
              <RowButton
                state={isChosen ? 'now' : 'plain'}
                press="yes"
                onClick={() => onChoose(unit.id)}
                aria-pressed={isChosen}
              >
                <Box as="span" textStyle="code">
                  {unit.tag}
                </Box>
                <Box as="span" textStyle="note" opacity={known ? 1 : 0.8}>
                  {known ?? (promised ? `${promised}?` : 'not known')}
                </Box>
              </RowButton>
            </li>
          );
        })}
      </ul>
    </Box>
  );
}
