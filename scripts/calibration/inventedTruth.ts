import { findingRules } from '@/core/findings/rules';
import { hitsOf } from '@/core/findings/hits';
import { suspects } from '@/core/sale/slots';
import type { Model } from '@/core/procedure/model';
import { lockTests, type DeviceTest, type Finding, type TestResult } from '@/core/procedure/vocabulary';
import type { Chance } from '@/core/shared/chance';
import { drawBeta } from '@/core/statistics/drawBeta';
import { startingOdds, type YieldOdds } from '@/core/teardown/policy/ladderPolicy';
import type { Subject } from '@/core/triage/knowledge';

/** What is true of the units of one model, and nobody in the shop knows. */
export interface ModelTruth {
  readonly model: Model;
  /** How often each part is sound in a unit whose tests say nothing against it. */
  readonly sound: ReadonlyMap<string, number>;
  /** How operations with a ladder yield. */
  readonly odds: ReadonlyMap<string, YieldOdds>;
}

/** What is true of a shop and of those who sell to it. */
export interface ShopTruth {
  readonly models: readonly ModelTruth[];
  /** How often each function works. */
  readonly works: ReadonlyMap<DeviceTest, number>;
  /** Classes of parts that lie on the shelf. */
  readonly shelf: ReadonlySet<string>;
  readonly world: World;
}

/** How hard a world is to the sums of the application. */
export interface World {
  readonly name: string;
  /** Trials that a parcel's own share of a test or a part is worth about the shop's: few where suppliers differ much. */
  readonly alike: number | null;
  /** How often each kind of damage is on a unit, which no list says. */
  readonly marked: number;
  /** How many of the classes of parts lie on the shelf; the others are bought. */
  readonly shelved: number;
}

/** A unit as it lies at triage, with what is really the matter. */
export interface TrueUnit {
  readonly truth: ModelTruth;
  readonly subject: Subject;
  readonly faults: ReadonlySet<DeviceTest>;
  /** Parts that are bad inside it. */
  readonly bad: ReadonlySet<string>;
  /** Luck that is the same whatever is decided. */
  readonly seed: number;
}

const marks: readonly Finding[] = ['crack', 'liquid', 'dent', 'opened-before'];

export function inventShop(models: readonly Model[], world: World, chance: Chance): ShopTruth {
  const tests = [...new Set(models.flatMap((model) => model.tests))];
  return {
    world,
    works: new Map(tests.map((test) => [test, drawBeta(8.5, 1.5, chance)])),
    shelf: new Set(
      models
        .flatMap(({ parts }) => parts.map(({ interchange }) => interchange))
        .filter(() => chance.happens(world.shelved)),
    ),
    models: models.map((model) => ({
      model,
      sound: new Map(model.parts.map(({ id }) => [id, drawBeta(6, 1.6, chance)])),
      odds: new Map(model.operations.filter(({ ladder }) => ladder).map(({ id }) => [id, inventOdds(chance)])),
    })),
  };
}

/** Joints differ about as a few trials would leave open. */
function inventOdds(chance: Chance): YieldOdds {
  const drawn = (share: number) => drawBeta(share * 10, (1 - share) * 10, chance);
  return {
    usual: drawn(startingOdds.usual),
    rung: drawn(startingOdds.rung),
    practised: drawn(startingOdds.practised),
  };
}

/**
 * The units of one parcel. A quick look says whether they start and whether they are locked, and notes four of five other tests; a function that fails makes the parts bad that it points
 * at; a mark makes those less likely to be sound that it hits.
 */
export function inventParcel({ models, works, world }: ShopTruth, count: number, chance: Chance): readonly TrueUnit[] {
  const shared = new Map<string, number>();
  const here = (name: string, share: number): number => {
    if (world.alike === null || share <= 0 || share >= 1) return share;
    const own = shared.get(name) ?? drawBeta(share * world.alike, (1 - share) * world.alike, chance);
    shared.set(name, own);
    return own;
  };
  return Array.from({ length: count }, (): TrueUnit => {
    const truth = chance.pick(models);
    const { model, sound } = truth;
    const faults = new Set(model.tests.filter((test) => !chance.happens(here(test, works.get(test) ?? 1))));
    const tests: Partial<Record<DeviceTest, TestResult>> = {};
    for (const test of model.tests) {
      const isMade = test === 'starts' || lockTests.includes(test) || chance.happens(0.8);
      if (isMade) tests[test] = faults.has(test) ? 'fault' : 'sound';
    }
    const subject: Subject = {
      revision: model.revisions[0]?.id ?? null,
      configuration: model.configurations[0]?.id ?? null,
      variant: model.variants[0]?.id ?? null,
      marks: marks
        .filter(() => chance.happens(world.marked))
        .map((kind) => ({ kind, face: model.faces[0]?.id ?? '', field: 5 })),
      tests,
    };
    const bad = model.parts.filter((part) => {
      const isSuspect = [...faults].some((test) => suspects[test].includes(part.category));
      const hit = hitsOf(model, part, subject).map(({ finding }) => findingRules[finding].odds[part.category] ?? 1);
      const share = here(`${model.id} ${part.id}`, sound.get(part.id) ?? 1) * Math.min(1, ...hit);
      return !chance.happens(share) || isSuspect;
    });
    return { truth, subject, faults, bad: new Set(bad.map(({ id }) => id)), seed: Math.floor(chance.next() * 2 ** 31) };
  });
}
