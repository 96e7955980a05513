import { lockTests } from '@/core/procedure/vocabulary';
import type { Disposition } from '@/core/entities/stages';
import { kindsFound } from '@/core/findings/mark';
import { findingRules } from '@/core/findings/rules';
import { sellingCosts } from '@/core/sale/sellingCosts';
import { predictSale } from '@/core/sale/predictSale';
import { getModelPart, type Model } from '@/core/procedure/model';
import type { HouseRules } from '@/core/shared/houseRules';
import type { Knowledge, Subject } from './knowledge';
import { unknownTest } from './knownYields';
import { buildCents, fallbackCents, planBuild, valueBuild } from './valueBuild';
import { planHarvest, valueDonor, type DonorPlan, type Harvest } from './valueDonor';
import { drawRange, type RangeOf } from './drawRange';
import type { Valued } from './valued';
import { message, type Message } from '@/core/shared/message';

/** The yield that would turn the proposal, and where. */
export interface Turn {
  readonly part: string;
  readonly name: string;
  readonly share: number;
  /** At this share both choices bring the same; beyond it the other is proposed. */
  readonly turnsAt: number;
  readonly to: Disposition;
}

export interface Proposal {
  /** Every choice with its money, what is proposed first. */
  readonly valued: readonly Valued[];
  /** Null when no yield alone could turn it. */
  readonly turn: Turn | null;
}

/**
 * What a unit is good for: every choice with its money, best first, and the yield that would turn it.
 *
 * Parts are taken to survive independently of each other.
 */
export function proposeDisposition(model: Model, unit: Subject, known: Knowledge, rules: HouseRules): Proposal {
  const weighed = valueDispositions(model, unit, known, rules);
  return { valued: weighed.valued, turn: weighed.isKeptApart ? null : turnOf(model, unit, known, rules, weighed) };
}

/**
 * Every choice with its money, best first. What must not be weighed with money comes first whatever it is worth: a swollen
 * cell is made safe, a locked unit is a question of ownership.
 *
 * @param rangeOf  how the middle 80 % of a choice is found: drawn, unless nobody looks at it
 */
export function valueDispositions(
  model: Model,
  unit: Subject,
  known: Knowledge,
  rules: HouseRules,
  rangeOf: RangeOf = drawRange,
) {
  const harvest = planHarvest(model, unit, known, rules);
  const build = planBuild(model, unit, known, rules);
  const donor = valueDonor(model, harvest, known, rules, rangeOf);
  const weighed: readonly Valued[] = [
    valueBuild(build, unit, known, rules, harvest, rangeOf),
    donor,
    valueAsIs(model, unit, known, rules),
    {
      ...flat('recycle', -rules.recycleCents),
      because: message('triage.costsToRecycle', { recycleCents: rules.recycleCents }),
      isPossible: true,
    },
  ].sort((a, b) => Number(b.isPossible) - Number(a.isPossible) || b.cents - a.cents);
  const apart = mustKeepApart(unit);
  const quarantine: Valued = {
    ...flat('quarantine', 0),
    because: apart ?? message('triage.nothingCallsForNoSwelling'),
    isPossible: true,
  };
  const valued = apart ? [quarantine, ...weighed] : [...weighed, quarantine];
  return { valued, harvest, build, isKeptApart: apart !== null };
}

const flat = (disposition: Disposition, cents: number) => ({
  disposition,
  cents,
  lowCents: cents,
  highCents: cents,
  figures: [],
});

/** Why a unit must be kept apart, whatever it is worth; null where nothing calls for it. */
export function mustKeepApart(unit: Subject): Message<'triage'> | null {
  // What may burn comes before what may belong to somebody.
  if (kindsFound(unit).some((finding) => findingRules[finding].mustKeepApart))
    return message('triage.batterySwollenMakeSafeBefore');
  if (unit.isReportedLost) return message('triage.itsSerialWasReportedLost');
  if (lockTests.some((test) => unit.tests[test] === 'fault')) return message('triage.lockedFindOwnerFirst');
  return null;
}

/** Sold as it is: only what starts can be wiped, so a unit that nobody tried is weighed with the odds that it starts. */
export function valueAsIs(model: Model, unit: Subject, known: Knowledge, rules: HouseRules): Valued {
  const { priceCents } = predictSale(model, { ...unit, disposition: 'as-is' }, {}, rules);
  const isForbidden = kindsFound(unit).some((finding) => findingRules[finding].forbids.includes('sell-as-is'));
  const started = unit.tests.starts;
  const odds = started === 'sound' ? 1 : started === 'fault' ? 0 : (known.tests.starts ?? unknownTest).share;
  const costs = sellingCosts(priceCents, rules);
  const leftCents = priceCents - costs;
  const cents = Math.round(leftCents * odds);
  return {
    ...flat('as-is', cents),
    lowCents: odds >= middleShare ? leftCents : Math.min(0, leftCents),
    highCents: odds > 1 - middleShare ? leftCents : 0,
    because: isForbidden
      ? message('triage.whatWasFoundOnMust')
      : odds === 1
        ? message('triage.soldAsFetchesDPrice', { of: rules.asIsShare })
        : odds === 0
          ? message('triage.doesNotStartSoCannot')
          : message('triage.notTestedThemStartAnd', { odds, of: rules.asIsShare }),
    isPossible: odds > 0 && !isForbidden,
    figures: [
      { says: message('triage.dPrice', { of: rules.asIsShare }), cents: priceCents },
      ...(costs > 0 ? [{ says: message('triage.sellingCosts'), cents: -costs }] : []),
      ...(odds < 1 && odds > 0
        ? [{ says: message('triage.doesNotStartChance', { fails: 1 - odds }), cents: cents - leftCents }]
        : []),
    ],
  };
}

/** Beyond this chance the end of the middle 80 % is reached. */
const middleShare = 0.9;

/** A share is said in whole hundredths; this is far below. */
const closeEnough = 0.0005;
/** Parts whose yields are tried: those that weigh most. */
const tried = 3;

/**
 * The yield nearest to its turning point. Parts against everything else: a donor is worth more the better its parts come
 * out, so each part has at most one share at which the proposal turns; found by halving.
 */
function turnOf(
  model: Model,
  unit: Subject,
  known: Knowledge,
  rules: HouseRules,
  { valued, harvest, build: planned }: ReturnType<typeof valueDispositions>,
): Turn | null {
  const [first, second] = valued;
  if (!first || !second?.isPossible || !harvest) return null;
  const isFirst = first.disposition === 'donor';
  const rival = isFirst ? second : first;
  const build = rival.disposition === 'build' ? planned : null;
  // How much more than its rival a donor of so many cents brings, when so much is left where the rival fails.
  const ahead = (donorCents: number, fallback: number) =>
    donorCents - (build ? buildCents(build, fallback, rules) : rival.cents);
  const lead = (plan: DonorPlan | null) => ahead(plan?.cents ?? 0, build ? fallbackCents(build, plan) : 0);
  const leadIf = (part: string, share: number) =>
    lead(planHarvest(model, unit, { ...known, assumed: { part, share } }, rules));
  const leadAt = ({ part, soundCents, chance, known: odds, partner }: Harvest, share: number): number => {
    const isPlain = partner === null && (getModelPart(model, part).transfers ?? []).length === 0;
    // As it is planned now it brings at least so much, and planned anew no more than what the part gains: often enough.
    const least = harvest.cents + Math.min(0, odds.share > 0 ? share / odds.share - 1 : 0) * chance * soundCents;
    if (isPlain && least > 0 && ahead(least, least) > 0 && isFirst) return ahead(least, least);
    const most = harvest.cents + Math.max(0, share - odds.share) * soundCents;
    // What is left where the rival fails is taken to be as much as now, without the part.
    const rest = build ? Math.max(0, fallbackCents(build, harvest) - chance * soundCents) : 0;
    if (isPlain && ahead(most, rest) <= 0 && !isFirst) return ahead(most, rest);
    return leadIf(part, share);
  };
  const turns = [...harvest.harvest]
    .sort((a, b) => b.soundCents - a.soundCents)
    .slice(0, tried)
    .flatMap((entry): Turn[] => {
      const { part, name, known: odds } = entry;
      const end = isFirst ? 0 : 1;
      const atEnd = leadAt(entry, end);
      if (atEnd > 0 === isFirst) return [];
      const turnsAt = whereItTurns([odds.share, lead(harvest)], [end, atEnd], (share) => leadIf(part, share));
      return [{ part, name, share: odds.share, turnsAt, to: isFirst ? rival.disposition : 'donor' }];
    });
  return turns.sort((a, b) => Math.abs(a.turnsAt - a.share) - Math.abs(b.turnsAt - b.share))[0] ?? null;
}

type Point = readonly [share: number, lead: number];

/**
 * Where a sum that grows with a share passes nothing, between two shares on either side of it: along the chord, and half
 * way where that draws near from one side only.
 */
function whereItTurns(from: Point, to: Point, leadAt: (share: number) => number): number {
  let [stays, turns] = [from, to];
  for (let isHalf = false; Math.abs(stays[0] - turns[0]) > closeEnough; isHalf = !isHalf) {
    const along = stays[1] / (stays[1] - turns[1]);
    const share = stays[0] + (isHalf || !(along > 0 && along < 1) ? 0.5 : along) * (turns[0] - stays[0]);
    const lead = leadAt(share);
    if (lead > 0 === stays[1] > 0) {
      if (Math.abs(lead) < 0.5) return share;
      stays = [share, lead];
    } else turns = [share, lead];
  }
  return turns[0];
}
