import { lockTests } from '@/core/procedure/vocabulary';
import type { Disposition } from '@/core/bench/stages';
import { priceOf } from '@/core/matching/rankForSlot';
import type { Model } from '@/core/procedure/model';
import type { HouseRules } from '@/core/shared/houseRules';
import { money } from '@/core/shared/money';
import type { Knowledge, Subject } from './knowledge';
import { buildCents, planBuild, valueBuild } from './valueBuild';
import { planHarvest, valueDonor, type HarvestPlan } from './valueDonor';
import type { Valued } from './valued';

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
 * What a unit is good for: every choice with its money, best first. What must not be weighed with money comes first
 * whatever it is worth: a swollen cell is made safe, a locked unit is a question of ownership.
 *
 * Parts are taken to survive independently of each other.
 */
export function proposeDisposition(model: Model, unit: Subject, known: Knowledge, rules: HouseRules): Proposal {
  const harvest = planHarvest(model, unit, known, rules);
  const donor = valueDonor(model, harvest, known, rules);
  const weighed: readonly Valued[] = [
    valueBuild(model, unit, known, rules, harvest?.cents ?? 0),
    donor,
    valueAsIs(model, unit, rules),
    {
      ...flat('recycle', -rules.recycleCents),
      because: `Costs ${money(rules.recycleCents)} to hand over.`,
      isPossible: true,
    },
  ].sort((a, b) => Number(b.isPossible) - Number(a.isPossible) || b.cents - a.cents);
  const apart = mustKeepApart(unit);
  const quarantine: Valued = {
    ...flat('quarantine', 0),
    because: apart ?? 'Nothing asks for it: no swelling, no lock found.',
    isPossible: true,
  };
  return apart
    ? { valued: [quarantine, ...weighed], turn: null }
    : { valued: [...weighed, quarantine], turn: turnOf(model, unit, known, rules, weighed, harvest) };
}

const flat = (disposition: Disposition, cents: number) => ({
  disposition,
  cents,
  lowCents: cents,
  highCents: cents,
  figures: [],
});

function mustKeepApart(unit: Subject): string | null {
  if (unit.isReportedLost) return 'Its serial was reported lost: find the owner first.';
  if (lockTests.some((test) => unit.tests[test] === 'fault')) return 'It is locked: find the owner first.';
  if (unit.marks.some(({ kind }) => kind === 'swelling'))
    return 'The cell is swollen: make it safe before anything else.';
  return null;
}

function valueAsIs(model: Model, unit: Subject, rules: HouseRules): Valued {
  const price = priceOf(model, unit.variant, 'D');
  const cents = Math.round(price * rules.asIsShare);
  const starts = unit.tests.starts === 'sound';
  return {
    ...flat('as-is', cents),
    because: starts
      ? `As it is, ${Math.round(rules.asIsShare * 100)} in 100 of the D price.`
      : 'It must start to be wiped first.',
    isPossible: starts,
    figures: [{ says: `${Math.round(rules.asIsShare * 100)} in 100 of ${money(price)}`, cents }],
  };
}

/** What is known, with one yield at another share whatever was found. */
const withShare = (known: Knowledge, part: string, share: number): Knowledge => ({
  ...known,
  yields: { ...known.yields, [part]: { share, low: share, high: share } },
  yieldsGiven: Object.fromEntries(
    Object.entries(known.yieldsGiven).map(([finding, { [part]: _, ...others }]) => [finding, others]),
  ),
});

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
  weighed: readonly Valued[],
  harvest: HarvestPlan | null,
): Turn | null {
  const [first, second] = weighed;
  if (!first || !second?.isPossible || !harvest) return null;
  const isFirst = first.disposition === 'donor';
  const rival = isFirst ? second : first;
  const build = rival.disposition === 'build' ? planBuild(model, unit, known, rules) : null;
  const isDonorBest = (part: string, share: number) => {
    const parts = planHarvest(model, unit, withShare(known, part, share), rules);
    const donorCents = parts?.cents ?? 0;
    return parts !== null && donorCents > (build ? buildCents(build, donorCents, rules) : rival.cents);
  };
  const turns = [...harvest.harvest]
    .sort((a, b) => b.soundCents - a.soundCents)
    .slice(0, tried)
    .flatMap(({ part, name, known: { share } }): Turn[] => {
      const end = isFirst ? 0 : 1;
      if (isDonorBest(part, end) === isFirst) return [];
      let [stays, turnsAt] = [share, end];
      while (Math.abs(stays - turnsAt) > closeEnough) {
        const middle = (stays + turnsAt) / 2;
        if (isDonorBest(part, middle) === isFirst) stays = middle;
        else turnsAt = middle;
      }
      return [{ part, name, share, turnsAt, to: isFirst ? rival.disposition : 'donor' }];
    });
  return turns.sort((a, b) => Math.abs(a.turnsAt - a.share) - Math.abs(b.turnsAt - b.share))[0] ?? null;
}
