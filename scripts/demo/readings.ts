import { startingGradingLimits } from '@/core/shared/gradingLimits';
import { attributesOf, type Attribute, type Readings } from '@/core/grading/rules';
import type { PartCategory } from '@/core/procedure/vocabulary';
import type { Chance } from '@/core/shared/chance';

/** Readings of a harvested part, mostly good: what an analyser or a pair of eyes would report. */
export function inventReadings(category: PartCategory, chance: Chance): Readings {
  const wornness = chance.next() ** 1.8;
  return Object.fromEntries(
    attributesOf(category, startingGradingLimits).map((attribute) => [
      attribute.id,
      invent(attribute, wornness, chance),
    ]),
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
  const { A, D } = attribute.limits;
  const reach = wornness * chance.between(0.6, 1.15);
  const spread = attribute.better === 'higher' ? Math.max(A - D, 4) + 8 : D - A;
  const start =
    attribute.better === 'higher' ? attribute.limits.A + Math.min(4, attribute.high - attribute.limits.A) : A * 0.4;
  const value = attribute.better === 'higher' ? start - reach * spread : start + reach * spread;
  const held = Math.min(attribute.high, Math.max(attribute.low, value));
  if (attribute.id === 'touchCoverage') return chance.happens(0.93) ? 100 : 98;
  return attribute.unit === '%' ? Math.round(held * 10) / 10 : Math.round(held);
}
