import type { Disposition } from '@/core/entities/stages';
import type { Unit } from '@/core/entities/entities';
import type { DeviceTest, Finding } from '@/core/procedure/vocabulary';
import type { Model } from '@/core/procedure/model';
import type { Valued } from '@/core/triage/valued';
import type { DemoBench } from './demoBench';

/** What is wrong with a unit when it comes in. */
export interface Condition {
  readonly marks: readonly Finding[];
  readonly faults: readonly DeviceTest[];
}

/** How often somebody decides for what was proposed second. */
const otherwiseShare = 0.06;

/** So many conditions are thought of for one that makes a unit what the story needs. */
const mostTries = 10;

/**
 * The one mistake that this house makes again and again: what does not charge is taken apart, though of this phone
 * a rebuilt one brings more. Its record finds it.
 */
export const plantedHabit = { model: 'oddkin-lantern-5', fault: 'charges', chosen: 'donor' } as const;

const isPlanted = (model: Model, faults: readonly DeviceTest[]): boolean =>
  model.id === plantedHabit.model && faults.includes(plantedHabit.fault);

/** A condition that units come in with, for which the house would decide as the story needs it; any, if none is found. */
export async function conditionFor(
  bench: DemoBench,
  unitId: string,
  wanted: Disposition,
  isFit: (unit: Unit) => boolean = () => true,
): Promise<Condition> {
  const { chance } = bench;
  const unit = bench.unit(unitId);
  const model = bench.modelOf(unit);
  if (wanted === 'donor' && model.id === plantedHabit.model && chance.happens(0.7))
    return { marks: [], faults: [plantedHabit.fault] };
  let last: Condition = { marks: [], faults: [] };
  for (let tried = 0; tried < mostTries; tried += 1) {
    last = inventCondition(bench, model, wanted);
    const looked = lookedOver(unit, model, last);
    if (isFit(looked) && decisionOn(bench, looked, await bench.propose(looked)) === wanted) return last;
  }
  return last;
}

/** What the house does with a unit in its condition, before anybody has a mind of their own. */
function decisionOn(bench: DemoBench, unit: Unit, valued: readonly Valued[]): Disposition | undefined {
  const faults = (Object.keys(unit.tests) as DeviceTest[]).filter((test) => unit.tests[test] === 'fault');
  return isPlanted(bench.modelOf(unit), faults) ? plantedHabit.chosen : valued[0]?.disposition;
}

const lookedOver = (unit: Unit, model: Model, { marks, faults }: Condition): Unit => ({
  ...unit,
  marks: marks.map((kind) => ({ kind, face: model.faces[0]?.id ?? '', field: 5 })),
  tests: Object.fromEntries(model.tests.map((test) => [test, faults.includes(test) ? 'fault' : 'sound'])),
});

/** Good ones have a dent or one fault; bad ones do not start, are wet or cracked, or fail several tests. */
function inventCondition({ chance }: DemoBench, model: Model, wanted: Disposition): Condition {
  const weak = model.tests.filter((test) => ['picture', 'keys', 'charges', 'sound', 'touch'].includes(test));
  if (wanted === 'build')
    return { marks: chance.happens(0.2) ? ['dent'] : [], faults: chance.happens(0.7) ? [chance.pick(weak)] : [] };
  const marks = (['crack', 'liquid', 'dent'] as const).filter(() => chance.happens(0.4));
  const faults = new Set<DeviceTest>([chance.pick(weak), chance.pick(weak)]);
  if (chance.happens(0.6)) faults.add('starts');
  return { marks, faults: [...faults] };
}

/**
 * Decides as people do: as it is proposed, now and then for what comes second, and as this house always does. What is
 * proposed is computed as at triage.
 *
 * @param wanted  what the story needs, whatever is proposed
 * @returns what was decided
 */
export async function decide(bench: DemoBench, unitId: string, wanted?: Disposition): Promise<Disposition> {
  const unit = bench.unit(unitId);
  const all = await bench.propose(unit);
  const valued = all.filter(({ isPossible }) => isPossible);
  const proposed = valued[0]?.disposition ?? 'recycle';
  const second = valued.find(({ disposition }, at) => at > 0 && ['build', 'donor'].includes(disposition));
  const own = bench.chance.happens(otherwiseShare) ? second?.disposition : undefined;
  const disposition = wanted ?? own ?? decisionOn(bench, unit, all) ?? proposed;
  const apartPlace = disposition === 'quarantine' ? 'ownership' : null;
  const weighed = valued.map(({ disposition: choice, cents, lowCents, highCents }) => ({
    disposition: choice,
    cents,
    lowCents,
    highCents,
  }));
  await bench.fact('unit-decided', unitId, { disposition, proposed, apartPlace, weighed }, 0.5);
  return disposition;
}
