import type { Chance } from '@/core/shared/chance';
import type { MatchPlan } from './plan';
import { evaluate } from './evaluate';
import { movesTo, type Build, type Given, type Level, type MatchProblem } from './problem';

/** What a plan brought in one life of the shop, and which of its builds got every part that they counted on. */
export interface PlanDraw {
  readonly cents: number;
  readonly completed: readonly string[];
}

/**
 * One life of a plan with known truth: each part of a donor comes out sound with its chance; where a build counted on one that does
 * not, another is bought in its place; a build that fails at Prove gives its parts back. On average it brings what `evaluate` says.
 */
export function drawPlan(problem: MatchProblem, plan: MatchPlan, chance: Chance): PlanDraw {
  const groupOf = new Map(problem.units.flatMap((group) => group.tags.map((tag) => [tag, group] as const)));
  const buildOf = (tag: string, way: string | undefined): Build | undefined =>
    groupOf.get(tag)?.builds.find(({ id }) => id === way);
  const levelOf = (tag: string, way: string | undefined): Level | undefined =>
    groupOf.get(tag)?.levels.find(({ id }) => id === way);
  const sound = new Map<string, boolean>();
  // Orders, falling prices, work and what is bought do not hang on chance here.
  let cents = evaluate(problem, plan).cents;
  const givenOf = new Map<string, Given>();
  for (const { tag, fate, way } of plan.units)
    for (const given of fate === 'donor' ? (levelOf(tag, way)?.gives ?? []) : []) {
      const key = `${tag}\n${given.slot}`;
      const isSound = chance.happens(given.chance);
      sound.set(key, isSound);
      givenOf.set(key, given);
      // The level counts every part at its chance.
      cents += (Number(isSound) - given.chance) * given.worthCents;
    }
  const completed: string[] = [];
  for (const { tag, fate, way, fills } of plan.units) {
    if (fate !== 'build') continue;
    const needs = new Map((buildOf(tag, way)?.needs ?? []).map((need) => [need.slot, need]));
    const isSold = chance.happens([...needs.values()][0]?.share ?? 1);
    let hasAll = true;
    for (const { slot, is, from, part, cents: reckoned } of fills) {
      const need = needs.get(slot);
      const given = givenOf.get(`${from}\n${part}`);
      if (is !== 'donor' || !need || !given) {
        const lot = problem.lots.find(({ id }) => id === from);
        if (is === 'lot' && lot && need) {
          const { chance: sounds, failCents } = lot.coming ?? { chance: 1, failCents: 0 };
          const comes = chance.happens(sounds);
          hasAll &&= comes;
          const costs = comes ? Number(isSold) * lot.worthCents : failCents;
          cents += need.share * sounds * lot.worthCents + (1 - sounds) * failCents - costs;
        }
        const offer = problem.offers.find(({ id }) => id === from);
        if (is === 'offer' && offer && need) cents += (need.share - Number(isSold)) * offer.worthCents;
        continue;
      }
      const isSound = sound.get(`${from}\n${part}`) === true;
      hasAll &&= isSound;
      const moved = movesTo(need, given).reduce((sum, own) => sum + own.cents, 0);
      cents += reckoned - moved - (isSound ? Number(isSold) * given.worthCents : given.failCents);
    }
    if (hasAll) completed.push(tag);
  }
  return { cents, completed };
}

/** Chance that a build gets every part that it counts on, as it stands in the plan: those of donors may fail. */
export function completesWith(problem: MatchProblem, plan: MatchPlan, tag: string): number {
  const groupOf = new Map(problem.units.flatMap((group) => group.tags.map((own) => [own, group] as const)));
  const unitOf = new Map(plan.units.map((unit) => [unit.tag, unit]));
  return (unitOf.get(tag)?.fills ?? []).reduce((product, { is, from, part }) => {
    if (is === 'lot') return product * (problem.lots.find(({ id }) => id === from)?.coming?.chance ?? 1);
    if (is !== 'donor') return product;
    const donor = unitOf.get(from);
    const level = groupOf.get(from)?.levels.find(({ id }) => id === donor?.way);
    return product * (level?.gives.find(({ slot }) => slot === part)?.chance ?? 0);
  }, 1);
}
