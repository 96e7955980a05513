import { startingGradingRules } from '@/core/shared/gradingRules';
import {
  attributesOf,
  type Attribute,
  type Gradable,
  type NumberAttribute,
  type Readings,
} from '@/core/grading/attributes';
import type { CellRecord } from '@/core/battery/cellRecord';
import type { ModelPart } from '@/core/procedure/parts';
import type { Chance } from '@/core/shared/chance';

/** Readings of a harvested part, mostly good: what an analyser or a pair of eyes would report. */
export function inventReadings(part: Omit<Gradable, 'findings'>, chance: Chance): Readings {
  const wornness = chance.next() ** 1.8;
  return Object.fromEntries(
    attributesOf(part, startingGradingRules)
      .filter(({ isOptional }) => !isOptional)
      .map((attribute) => [attribute.id, invent(attribute, wornness, chance)]),
  );
}

function invent(attribute: Attribute, wornness: number, chance: Chance): number | string {
  if (attribute.kind === 'choice') {
    const usable = attribute.choices.filter(({ grade }) => grade !== 'X');
    const broken = attribute.choices.find(({ grade }) => grade === 'X');
    if (broken && chance.happens(0.012 + 0.06 * wornness)) return broken.id;
    const at = Math.min(usable.length - 1, Math.floor((wornness * 0.8 + chance.next() * 0.25) * usable.length));
    return (usable[at] as { id: string }).id;
  }
  return inventNumber(attribute, wornness, chance);
}

function inventNumber(
  { id, limits, low, high, better, unit }: NumberAttribute,
  wornness: number,
  chance: Chance,
): number {
  if (id === 'touchCoverage') return chance.happens(0.93) ? 100 : 98;
  // Counts of faults are nought on most parts.
  if (limits.A === limits.B && limits.A === 0) return chance.happens(0.94) ? 0 : 1;
  const reach = wornness * chance.between(0.6, 1.15);
  const span = Math.abs(limits.A - limits.D);
  const start = better === 'higher' ? limits.A + Math.min(0.25 * span, high - limits.A) : limits.A * 0.4;
  const value = better === 'higher' ? start - reach * (span * 1.25) : start + reach * span;
  const held = Math.min(high, Math.max(low, value));
  const perUnit = unit === '%' || unit === 'dB' || unit === 'µm' ? 10 : unit === 'mm' || unit === 'V' ? 100 : 1;
  return Math.round(held * perUnit) / perUnit;
}

/** What was found out about a harvested cell: its label, a log, and its own gauge, which tends to read high. */
export function inventCell(
  { ratedAmpHours, cell }: Pick<ModelPart, 'ratedAmpHours' | 'cell'>,
  readings: Readings,
  chance: Chance,
): CellRecord | undefined {
  const share = readings.capacityShare;
  if (ratedAmpHours === undefined || typeof share !== 'number') return undefined;
  const ampHours = Math.round(ratedAmpHours * share * 10) / 1000;
  return {
    ...(cell && { label: { type: cell.type, ratedAmpHours, ratedVolt: cell.volt, limitVolt: cell.limitVolt } }),
    gaugeShare: Math.min(100, Math.round(share + chance.between(2, 6))),
    analyserShare: share,
    analyserPlusMinus: 0.9,
    ampHours,
    wattHours: Math.round(ampHours * (cell?.volt ?? 3.7) * 100) / 100,
    samples: 1200 + Math.floor(chance.between(0, 9000)),
    gaps: chance.happens(0.1) ? 1 : 0,
    celsius: Math.round(chance.between(21, 25) * 10) / 10,
  };
}

/** What another pair of eyes reads off a part: each number within its interval, one choice in eight as its neighbour. */
export const readAgain = (
  part: Omit<Gradable, 'findings'> & { readonly readings: Readings },
  chance: Chance,
): Readings =>
  Object.fromEntries(
    attributesOf(part, startingGradingRules).flatMap((attribute): (readonly [string, number | string])[] => {
      const before = part.readings[attribute.id];
      if (before === undefined) return [];
      if (attribute.kind === 'number') {
        const read = Number(before) + attribute.plusMinus * chance.between(-1, 1);
        return [[attribute.id, Math.round(Math.min(attribute.high, Math.max(attribute.low, read)) * 100) / 100]];
      }
      const at = attribute.choices.findIndex(({ id }) => id === before);
      const neighbour = attribute.choices[at + (chance.happens(0.5) ? 1 : -1)];
      const read = neighbour && neighbour.grade !== 'X' && chance.happens(0.25) ? neighbour.id : before;
      return [[attribute.id, read]];
    }),
  );
