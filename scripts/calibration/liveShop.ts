import { operationsFor } from '@/core/procedure/situation';
import type { DeviceTest } from '@/core/procedure/vocabulary';
import { forecastParcel } from '@/core/intake/forecastParcel';
import { neededParts } from '@/core/sale/slots';
import { modelBySchools } from '@/core/schools/modelBySchools';
import { Chance } from '@/core/shared/chance';
import { startingHouseRules, type HouseRules } from '@/core/shared/houseRules';
import { schoolChoices, startingSchools, type SchoolId } from '@/core/shared/schools';
import { chooseOperations } from '@/core/teardown/chooseOperations';
import { expectedMinutes } from '@/core/teardown/attendedMinutes';
import { sparedBy } from '@/core/teardown/worth/sparedBy';
import type { YieldOdds } from '@/core/teardown/policy/ladderPolicy';
import type { ResistanceCount } from '@/core/teardown/policy/learnedOdds';
import { knowledgeFor, type Knowledge, type ShopKnowledge } from '@/core/triage/knowledge';
import { valueDispositions } from '@/core/triage/proposeDisposition';
import { shopKnowledge } from '@/core/triage/shopKnowledge';
import type { Valued } from '@/core/triage/valued';
import type { Model } from '@/core/procedure/model';
import { carryOut, takeAllApart, type Outcome } from './carryOut';
import { inventParcel, inventShop, type ModelTruth, type ShopTruth, type TrueUnit, type World } from './inventedTruth';
import { ShopLog } from './shopLog';
import { Counting, type Tally } from './tally';

/** How long a shop lives here. */
export interface Life {
  readonly parcels: number;
  readonly unitsEach: number;
  /** Models that a shop deals with, of those that are given. */
  readonly modelsEach: number;
  /** In one shop of so many every other answer to every school is followed as well: it takes as long as all the rest. */
  readonly schoolsEvery: number;
}

export const usualLife: Life = { parcels: 3, unitsEach: 12, modelsEach: 2, schoolsEvery: 4 };

export const byProposals = 'the proposals, with what the shop has learned so far';
export const byPerfect = 'the same sums with perfect knowledge of every share';

/** Everything else a shop could answer where practitioners disagree, one question at a time. */
const otherSchools: readonly (readonly [name: string, rules: HouseRules])[] = Object.entries(schoolChoices).flatMap(
  ([school, choices]) =>
    choices
      .filter((choice) => startingSchools[school as SchoolId] !== choice && school !== 'howFar')
      .map((choice) => [
        `the proposals of a house of the school ${school} = ${choice}`,
        { ...startingHouseRules, schools: { ...startingSchools, [school]: choice } },
      ]),
);

/**
 * One shop from its first list to its last sale: each parcel is forecast from its list, looked at, decided unit by unit and
 * carried out by the truth; what was sought and tried is learned before the next. Others decide the same units, with the
 * same luck.
 */
export function liveShop(seed: number, models: readonly Model[], world: World, life: Life): Tally {
  const chance = new Chance(seed);
  const own = someOf(models, life.modelsEach, chance);
  const truth = inventShop(own, world, chance);
  const log = new ShopLog();
  const count = new Counting();
  for (let parcel = 0; parcel < life.parcels; parcel += 1) {
    const units = inventParcel(truth, life.unitsEach, chance);
    const shop = shopKnowledge(log.ground(truth.shelf), startingHouseRules);
    const outcomes = decide(
      units,
      shop,
      truth,
      count,
      parcel === 0 ? 'first' : 'later',
      seed % life.schoolsEvery === 0,
    );
    forecast(units, shop, outcomes, count, parcel === 0 ? 'first' : 'later');
    units.forEach((unit, at) => log.note(`parcel ${parcel}`, unit, (outcomes[at] as Decided).outcome));
  }
  for (const [test, known] of Object.entries(shopKnowledge(log.ground(truth.shelf), startingHouseRules).known.tests)) {
    const works = truth.works.get(test as DeviceTest);
    if (known && works !== undefined) count.range('share of sound ones of a quick test, at the end', known, works);
  }
  return count.tally(byPerfect);
}

function someOf(models: readonly Model[], count: number, chance: Chance): readonly Model[] {
  const left = [...models];
  return Array.from({ length: Math.min(count, models.length) }, () =>
    left.splice(Math.floor(chance.next() * left.length), 1),
  ).flat();
}

interface Decided {
  readonly choice: Valued['disposition'];
  readonly outcome: Outcome;
}

type When = 'first' | 'later';
const whenOf: Readonly<Record<When, string>> = { first: 'first parcel', later: 'later parcels' };

function decide(
  units: readonly TrueUnit[],
  shop: ShopKnowledge,
  truth: ShopTruth,
  count: Counting,
  when: When,
  hasSchools: boolean,
): readonly Decided[] {
  const rules = startingHouseRules;
  const knownOf = once((model) => knowledgeFor(shop, model.model.id));
  const knowingOf = once((model) => perfectKnowledge(model, truth, shop));
  const learned = decider(knownOf, rules);
  const perfect = decider(knowingOf, rules);
  const schools = hasSchools
    ? otherSchools.map(([name, other]) => [name, other, decider(knownOf, other)] as const)
    : [];
  return units.map((unit) => {
    const known = knownOf(unit.truth);
    const best = learned(unit);
    const outcome = carryOut(unit, best.disposition, known, rules);
    count.unit();
    count.earned(byProposals, outcome.cents);
    if (best.lowCents < best.highCents) {
      const of = `a unit: ${best.disposition}, ${whenOf[when]}`;
      count.range(of, { low: best.lowCents, high: best.highCents }, outcome.cents);
    }
    count.mean(`a unit: ${best.disposition}, ${whenOf[when]}`, best.cents, outcome.cents);
    count.earned(byPerfect, carryOut(unit, perfect(unit).disposition, knowingOf(unit.truth), rules).cents);
    // Who a locked one belongs to is no question of money: it is kept apart, whoever decides.
    const isApart = best.disposition === 'quarantine';
    for (const [name, byHand] of otherHands) count.earned(name, isApart ? 0 : byHand(unit, known, rules));
    for (const [name, other, decides] of schools)
      count.earned(name, carryOut(unit, decides(unit).disposition, known, other).cents);
    return { choice: best.disposition, outcome };
  });
}

/** The same knowledge for all units of a model. */
function once(make: (truth: ModelTruth) => Knowledge): (truth: ModelTruth) => Knowledge {
  const known = new Map<ModelTruth, Knowledge>();
  return (truth) => {
    const own = known.get(truth) ?? make(truth);
    known.set(truth, own);
    return own;
  };
}

/** What is proposed for a unit, worked out once for units that look the same. */
function decider(knowing: (truth: ModelTruth) => Knowledge, rules: HouseRules): (unit: TrueUnit) => Valued {
  const known = new Map<string, Valued>();
  return (unit) => {
    const key = `${unit.truth.model.id} ${JSON.stringify(unit.subject)}`;
    const found =
      known.get(key) ?? valueDispositions(unit.truth.model, unit.subject, knowing(unit.truth), rules).valued[0];
    if (!found) throw new Error(`nothing is proposed for a ${unit.truth.model.name}`);
    known.set(key, found);
    return found;
  };
}

/** People who decide without sums, and what they get. */
const otherHands: readonly (readonly [
  name: string,
  cents: (unit: TrueUnit, known: Knowledge, rules: HouseRules) => number,
])[] = [
  [
    'a careful hand: whole ones that need one part at most are built, the rest is taken apart for all that has a price',
    (unit, known, rules) => {
      const { subject, truth } = unit;
      const isHurt = subject.marks.some(({ kind }) => kind === 'crack' || kind === 'liquid');
      const isWhole = subject.tests.starts === 'sound' && !isHurt && neededParts(truth.model, subject).length <= 1;
      return isWhole ? carryOut(unit, 'build', known, rules).cents : takeAllApart(unit, rules).cents;
    },
  ],
  ['everything is built that can be', (unit, known, rules) => carryOut(unit, 'build', known, rules).cents],
  ['everything is taken apart, as far as it pays', (unit, known, rules) => carryOut(unit, 'donor', known, rules).cents],
  ['everything is taken apart for all that has a price', (unit, _, rules) => takeAllApart(unit, rules).cents],
];

function forecast(
  units: readonly TrueUnit[],
  shop: ShopKnowledge,
  outcomes: readonly Decided[],
  count: Counting,
  when: When,
): void {
  const models = new Map(units.map(({ truth: { model } }) => [model.id, model]));
  const said = forecastParcel(
    units.map(({ truth }) => ({ model: truth.model.id, decided: null, unit: null, sought: null })),
    models,
    shop,
    startingHouseRules,
  );
  const came = (choice: Decided['choice']) => outcomes.filter((own) => own.choice === choice).length;
  const cents = outcomes.reduce((sum, { outcome }) => sum + outcome.cents, 0);
  const later = whenOf[when];
  count.range(`a parcel from its list: money, ${later}`, said.cents, cents);
  count.mean(`a parcel from its list: money, ${later}`, said.cents.mean, cents);
  count.range(`a parcel from its list: units to build, ${later}`, said.builds, came('build'));
  count.mean(`a parcel from its list: units to build, ${later}`, said.builds.mean, came('build'));
  count.range(`a parcel from its list: donors, ${later}`, said.donors, came('donor'));
  for (const { name, good } of said.parts) {
    const found = outcomes.reduce((sum, { choice, outcome }, at) => {
      if (choice !== 'donor') return sum;
      const { parts } = (units[at] as TrueUnit).truth.model;
      return (
        sum +
        [...outcome.sought].filter(
          ([id, isGood]) => isGood && parts.some((part) => part.id === id && part.name === name),
        ).length
      );
    }, 0);
    count.range(`a parcel from its list: good parts of a kind, ${later}`, good, found);
    count.mean(`a parcel from its list: good parts of a kind, ${later}`, good.mean, found);
  }
}

/** What somebody would expect who knew every share for certain. */
function perfectKnowledge({ model, sound, odds }: ModelTruth, { works }: ShopTruth, shop: ShopKnowledge): Knowledge {
  const byHouse = modelBySchools(model, startingHouseRules);
  const operations = operationsFor(byHouse, {
    revision: model.revisions[0]?.id ?? null,
    configuration: model.configurations[0]?.id ?? null,
    findings: [],
  });
  const certain = (share: number) => ({ share, low: share, high: share });
  return {
    ...knowledgeFor(shop, model.id),
    tests: Object.fromEntries([...works].map(([test, share]) => [test, certain(share)])),
    yieldsGiven: {},
    resistances: [...odds].flatMap(([operationId, own]) => certainOdds(operationId, own)),
    yields: Object.fromEntries(
      [...sound].map(([part, share]) => {
        // A share of the log is what comes out, by the quickest way to it.
        const way = chooseOperations(
          operations,
          [part],
          (operation) => expectedMinutes(operation, []),
          () => true,
        );
        const ids = new Set(way.ok ? way.value.ids : []);
        return [
          part,
          certain(
            share *
              sparedBy(
                operations.filter(({ id }) => ids.has(id)),
                part,
              ),
          ),
        ];
      }),
    ),
  };
}

/** So many trials that they leave nothing open. */
function certainOdds(operationId: string, { usual, rung }: YieldOdds): readonly ResistanceCount[] {
  const many = 1e7;
  const count = (way: 0 | 1, hasYielded: boolean, share: number) => ({
    operationId,
    rung: way,
    hasYielded,
    count: many * share,
  });
  return [count(0, true, usual), count(1, true, (1 - usual) * rung), count(1, false, (1 - usual) * (1 - rung))];
}
