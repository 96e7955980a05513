import type { Model } from '@/core/procedure/model';
import { unattendedMinutes, type Operation } from '@/core/procedure/operations';
import { operationsFor, type Situation } from '@/core/procedure/situation';
import type { PartCategory } from '@/core/procedure/vocabulary';
import { modelBySchools } from '@/core/schools/modelBySchools';
import type { HouseRules } from '@/core/shared/houseRules';
import { expectedMinutes } from './attendedMinutes';
import { chooseOperations } from './chooseOperations';
import { orderOperations } from './orderOperations';

/** How often a device needs another part of a category, among all that need one: the rest seldom do. */
export const failShares: Readonly<Partial<Record<PartCategory, number>>> = {
  battery: 0.42,
  display: 0.27,
  port: 0.13,
  keys: 0.08,
  camera: 0.06,
  speaker: 0.04,
};

export interface Opening {
  readonly part: string;
  readonly name: string;
  readonly share: number;
  /** From closed to the part in the hand, waits included. */
  readonly minutes: number;
  /** Labour of it, and consumables of the way back. */
  readonly cents: number;
  /** Chance that something breaks on the way. */
  readonly breakage: number;
}

export interface Openability {
  /** The parts that fail most and can be reached, most often first. */
  readonly openings: readonly Opening[];
  /** Means over them, weighed by how often they fail. */
  readonly minutes: number;
  readonly cents: number;
  readonly breakage: number;
}

/**
 * What it takes to get at the parts that fail most: minutes, money, and what breaks, with the arithmetic open. No marks out
 * of ten.
 *
 * The shortest way to one part of each category, in its best order; of several parts of a category the one nearest.
 */
export function openability(written: Model, situation: Situation, rules: HouseRules): Openability {
  const model = modelBySchools(written, rules);
  const { findings } = situation;
  const existing = operationsFor(model, situation);
  const isAllowed = ({ destroys = [] }: Operation) => destroys.length === 0;
  const openings = Object.entries(failShares).flatMap(([category, share]): Opening[] => {
    const ways = model.parts.flatMap((part): Opening[] => {
      if (part.category !== category) return [];
      const chosen = chooseOperations(
        existing,
        [part.id],
        (operation) => expectedMinutes(operation, findings),
        isAllowed,
      );
      if (!chosen.ok) return [];
      const way = existing.filter(({ id }) => chosen.value.ids.includes(id));
      const { minutes } = orderOperations(way, { postures: model.postures, findings }, rules);
      const waits = way.reduce((sum, operation) => sum + unattendedMinutes(operation), 0);
      const consumables = way.flatMap(({ back }) => back?.consumables ?? []);
      const labour = Math.max(0, minutes - waits) * rules.labourCentsPerMinute;
      return [
        {
          part: part.id,
          name: part.name,
          share,
          minutes,
          cents: Math.round(labour + consumables.reduce((sum, { count, unitCents }) => sum + count * unitCents, 0)),
          breakage: 1 - way.flatMap(({ risks = [] }) => risks).reduce((left, { chance }) => left * (1 - chance), 1),
        },
      ];
    });
    return ways.sort((a, b) => a.minutes - b.minutes).slice(0, 1);
  });
  const all = openings.reduce((sum, { share }) => sum + share, 0);
  const mean = (of: (opening: Opening) => number) =>
    all > 0 ? openings.reduce((sum, opening) => sum + opening.share * of(opening), 0) / all : 0;
  return {
    openings,
    minutes: mean(({ minutes }) => minutes),
    cents: Math.round(mean(({ cents }) => cents)),
    breakage: mean(({ breakage }) => breakage),
  };
}
