import type { Model } from '@/core/procedure/model';
import type { Situation } from '@/core/procedure/situation';
import type { HouseRules } from '@/core/shared/houseRules';
import { movesOf } from './movesOf';

interface Worth {
  readonly part: string;
  readonly soundCents: number;
  readonly chance: number;
}

/**
 * An assembly that is harvested whole saves whoever fits it the moves; each part that is taken off it saves one less. So
 * an assembly is worth more by what it saves, and a part of its transfer list less by its own move: both freed, the sum is
 * the bare worth of each.
 *
 * The saving counts where both are sound. It is not seen when a part is taken off an assembly that stays in the unit (then
 * its worth is put lower by one move), nor below a worth of nothing.
 *
 * @param parts  parts on which the unit can bring something; one that is not listed is taken to be sound
 * @returns cents to add to the worth of a sound one, by part; empty for a model without transfers
 */
export function carriedWorth(
  model: Model,
  situation: Situation,
  parts: readonly Worth[],
  rules: HouseRules,
): ReadonlyMap<string, number> {
  const known = new Map(parts.map((entry) => [entry.part, entry]));
  const added = new Map<string, number>();
  const add = (part: string, cents: number) => added.set(part, (added.get(part) ?? 0) + cents);
  for (const { part: assembly, chance } of parts) {
    for (const { part, cents } of movesOf(model, situation, assembly, rules)) {
      const moved = known.get(part);
      add(assembly, cents * (moved?.chance ?? 1));
      if (moved) add(part, -cents * chance);
    }
  }
  return new Map([...added].map(([part, cents]) => [part, Math.round(cents)]));
}

/** What parts are worth with what they carry, and without what they would leave bare. */
export const withCarried = <W extends Worth>(parts: readonly W[], added: ReadonlyMap<string, number>): readonly W[] =>
  added.size === 0
    ? parts
    : parts.map((entry) => ({ ...entry, soundCents: Math.max(0, entry.soundCents + (added.get(entry.part) ?? 0)) }));
