import type { Disposition } from '@/core/entities/stages';
import type { DeviceTest, Finding } from '@/core/procedure/vocabulary';
import { meanDifference, type MeanDifference } from '@/core/statistics/meanDifference';
import type { Judged } from './scoreProposals';

/** What the units of a habit have in common; a thing that is left out may be any. */
export interface HabitOf {
  readonly name?: string;
  readonly fault?: DeviceTest;
  readonly mark?: Finding;
}

/** Something that the house does again and again where another thing is proposed, and what comes of it. */
export interface Habit {
  readonly proposed: Disposition;
  readonly chosen: Disposition;
  readonly of: HabitOf;
  readonly tags: readonly string[];
  /** What it brings a unit beyond the proposal, in cents: less than nothing where it costs. With its 80 % range. */
  readonly cents: number;
  readonly lowCents: number;
  readonly highCents: number;
}

/** So many units make a habit: of fewer the spread is a guess, and one shop in ten would be said to have one. */
const fewest = 5;

/** So many of the units of a group are most of them. */
const mostOf = 2 / 3;

const level = 0.8;

/** Of shops without any habit, so many are said to have one. */
const rate = 0.05;

interface Candidate {
  readonly of: HabitOf;
  readonly units: readonly Judged[];
  readonly beyond: MeanDifference;
}

/**
 * What the house does otherwise than it is proposed and clearly pays, or clearly does not: one sort of decision, about units of one
 * model, with one fault or mark, or both.
 *
 * What each of them brought beyond what the proposal expected of its own is held against the same for proposals that were followed
 * (so an expectation that is always too high is no habit). The clearest is named when it is clear among all that are looked at
 * (its chance by accident, times how many there are, is `rate` at most), under what most of its units have in common; what is left without
 * its units is looked at again.
 *
 * @returns what costs most in all first
 */
export function houseHabits(judged: readonly Judged[]): readonly Habit[] {
  const named: Habit[] = [];
  let left = judged.filter(({ chosen, proposed }) => chosen !== proposed);
  for (;;) {
    const candidates = groupsOf(left).map(([of, units]) => ({ of, units, beyond: beyondOf(units, judged) }));
    const clear = candidates
      .filter(({ beyond }) => beyond.tail * candidates.length <= rate)
      .sort((a, b) => a.beyond.tail - b.beyond.tail);
    const own = clear[0] && narrowest(clear[0], clear);
    if (!own) break;
    named.push(habitOf(own));
    left = left.filter((unit) => !own.units.includes(unit));
  }
  return named.sort((a, b) => a.cents * a.tags.length - b.cents * b.tags.length);
}

/** What most of the units have in common beside, where that alone is clear as well. */
function narrowest(clearest: Candidate, clear: readonly Candidate[]): Candidate {
  const inside = clear.filter(
    ({ units }) =>
      units.length >= mostOf * clearest.units.length && units.every((unit) => clearest.units.includes(unit)),
  );
  return inside.reduce((best, own) => (wordsOf(own) > wordsOf(best) ? own : best), clearest);
}

const wordsOf = ({ of }: Candidate): number => Object.keys(of).length;

function habitOf({ of, units, beyond: { mean, low, high } }: Candidate): Habit {
  const { proposed, chosen } = units[0] as Judged;
  const tags = units.map(({ tag }) => tag);
  return {
    proposed,
    chosen,
    of,
    tags,
    cents: Math.round(mean),
    lowCents: Math.round(low),
    highCents: Math.round(high),
  };
}

function beyondOf(units: readonly Judged[], judged: readonly Judged[]): MeanDifference {
  const { proposed } = units[0] as Judged;
  const followed = judged.filter((own) => own.proposed === proposed && own.chosen === proposed);
  const cents = (all: readonly Judged[]) => all.map(({ byCents }) => byCents);
  return meanDifference(cents(units), followed.length < 2 ? [] : cents(followed), level);
}

/** All groups of one sort of decision that are large enough, each set of units once. */
function groupsOf(overruled: readonly Judged[]): readonly (readonly [HabitOf, readonly Judged[]])[] {
  const groups = new Map<string, [HabitOf, Judged[]]>();
  for (const unit of overruled)
    for (const of of sortsOf(unit)) {
      const key = JSON.stringify([unit.proposed, unit.chosen, of]);
      const group = groups.get(key) ?? [of, []];
      group[1].push(unit);
      groups.set(key, group);
    }
  const large = [...groups.values()].filter(([, units]) => units.length >= fewest);
  const bySet = new Map<string, [HabitOf, Judged[]]>();
  for (const [of, units] of large) {
    const key = JSON.stringify(units.map(({ tag }) => tag));
    const other = bySet.get(key);
    // The words that say most: what they all have in common is what a reader looks for.
    if (!other || Object.keys(of).length > Object.keys(other[0]).length) bySet.set(key, [of, units]);
  }
  return [...bySet.values()];
}

function sortsOf({ name, faults, marks }: Judged): readonly HabitOf[] {
  const seen = [...faults.map((fault) => ({ fault })), ...marks.map((mark) => ({ mark }))];
  return [{}, { name }, ...seen, ...seen.map((own) => ({ name, ...own }))];
}
