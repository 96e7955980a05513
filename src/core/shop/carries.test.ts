import { TestBench, sparePart } from '../../../tests/support/bench';
import { shippedModels } from '../../../tests/support/models';
import { getModelPart, type Model } from '@/core/procedure/model';
import { rankForSlot } from '@/core/matching/rankForSlot';
import { startingHouseRules as rules } from '@/core/shared/houseRules';
import { movesOf } from '@/core/teardown/worth/movesOf';
import { sheetOf } from '@/core/sheet/sheetOf';
import { completeFact } from './involved';
import { applyFact } from './applyFact';
import { makeFact } from './makeFact';
import { MemoryWorld } from './memoryWorld';

const quay = shippedModels.find(({ name }) => name === 'Twofold Quay') as Model;

/** A donor whose sheet is worked off for these parts. */
function donor(targets: readonly string[]): TestBench {
  const bench = new TestBench();
  bench.decided(quay, 'donor');
  const begun = bench.act('sheet-started', 'u', { kind: 'teardown', targets, keeping: 'tray' });
  if (begun !== 'ok') throw new Error(JSON.stringify(begun));
  bench.finishSheet(quay);
  return bench;
}
const carriedBy = (bench: TestBench, partRef: string) =>
  bench.parts().find((part) => part.unitId === 'u' && part.partRef === partRef)?.carries;

/** A build that gets a display; what it brings is said of the spare. */
function build(carries: readonly string[]): TestBench {
  const bench = new TestBench();
  bench.decided(quay, 'build');
  bench.world.put('part', { ...sparePart(quay, getModelPart(quay, 'display-set'), 'set'), carries });
  bench.act('part-assigned', 'u', { slot: 'display-set', partId: 'set' });
  bench.world.put('unit', { ...bench.unit(), stage: 'rebuild' });
  const begun = bench.act('sheet-started', 'u', { kind: 'rebuild', targets: ['display-set'], keeping: 'tray' });
  if (begun !== 'ok') throw new Error(JSON.stringify(begun));
  return bench;
}
const movesOn = (bench: TestBench) => {
  const unit = bench.unit();
  const sheet = unit.sheet && sheetOf(quay, unit, unit.sheet);
  return sheet?.ok ? sheet.value.steps.filter(({ leg }) => leg === 'move').map(({ id }) => id) : [];
};

describe('an assembly that comes out', () => {
  test('whole, it keeps what is on it; stripped, before or after, it does not', () => {
    expect(carriedBy(donor(['display-set']), 'display-set')).toEqual(['tilt', 'camera']);
    expect(carriedBy(donor(['display-set', 'camera']), 'display-set')).toEqual(['tilt']);
    expect(carriedBy(donor(['display-set', 'camera', 'tilt']), 'display-set')).toEqual([]);
  });

  test('what this configuration never had, or what was reported missing, is not on it', () => {
    const bench = new TestBench();
    bench.decided(quay, 'donor');
    bench.act('sheet-started', 'u', { kind: 'teardown', targets: ['display-set'], keeping: 'tray' });
    const first = bench.unit().sheet?.stepIds[0] as string;
    bench.act('part-trouble', 'u', { stepId: first, partRef: 'tilt', state: 'missing', defectCode: null });
    bench.finishSheet(quay);
    expect(carriedBy(bench, 'display-set')).toEqual(['camera']);
  });

  test('the log tells it, and a log from before knows of nothing on it', () => {
    const bench = new TestBench();
    bench.decided(quay, 'donor');
    bench.act('sheet-started', 'u', { kind: 'teardown', targets: ['display-set'], keeping: 'tray' });
    const stepIds = bench.unit().sheet?.stepIds ?? [];
    const stepId = 'out:display-set';
    while (bench.unit().sheet?.doneStepIds.length !== stepIds.indexOf(stepId)) {
      bench.passes(600);
      bench.step(quay);
    }
    const freed = [{ partId: 'whole', partRef: 'display-set', state: 'sound' as const }];
    const payload = { stepId, seconds: 5, freed };
    const made = makeFact(bench.world, { type: 'step-done', subjectId: 'u', payload }, { id: 'f', at: bench.now });
    if (!made.ok) throw new Error('not made');
    const judged = applyFact(bench.world, made.value);
    if (!judged.ok) throw new Error(JSON.stringify(judged));
    const kept = completeFact(made.value, { unitTags: [], partTags: ['P-1'], changes: judged.value, bits: [] });
    expect(kept.payload.freed[0]?.carries).toEqual(['tilt', 'camera']);

    const past = new MemoryWorld(shippedModels, [rules], true);
    past.put('unit', bench.unit());
    const carriedIn = (fact: typeof kept) => {
      const replayed = applyFact(past, fact);
      if (!replayed.ok) throw new Error(JSON.stringify(replayed));
      return replayed.value.flatMap(({ kind, after }) => (kind === 'part' && after ? [after.carries] : []));
    };
    expect(carriedIn(kept)).toEqual([['tilt', 'camera']]);
    expect(carriedIn(made.value as typeof kept)).toEqual([[]]);
  });
});

describe('a build that gets an assembly', () => {
  test('a bare one has its sensors moved to it, and the old one is bare then', () => {
    const bench = build([]);
    expect(movesOn(bench)).toEqual(['move:display-set.tilt', 'move:display-set.camera']);
    bench.finishSheet(quay);
    expect(carriedBy(bench, 'display-set')).toEqual([]);
  });

  test('one that brings them has nothing moved to it, and the old one keeps its own', () => {
    const bench = build(['tilt', 'camera']);
    expect(movesOn(bench)).toEqual([]);
    bench.finishSheet(quay);
    expect(carriedBy(bench, 'display-set')).toEqual(['tilt', 'camera']);
  });

  test('Match puts the one that brings them first, by what moving costs', () => {
    const unit = { ...build([]).unit(), tests: { picture: 'fault' as const }, sheet: null };
    const bare = sparePart(quay, getModelPart(quay, 'display-set'), 'bare');
    const whole = { ...sparePart(quay, getModelPart(quay, 'display-set'), 'whole'), carries: ['tilt', 'camera'] };
    const ofOther = { ...whole, tag: 'T-other', modelId: 'brinewell-pontoon-12' };
    const [first, ...others] = rankForSlot(quay, unit, 'display-set', [bare, whole, ofOther], {}, rules, movesOf);
    expect(first?.part.tag).toBe('T-whole');
    expect(first?.brings).toEqual(
      ['Tilt sensor', 'Lid camera'].map((name) => expect.stringMatching(new RegExp(name, 'i'))),
    );
    expect(first?.moves).toEqual([]);
    for (const { gainCents, moves, brings } of others) {
      const cents = moves.reduce((sum, move) => sum + move.cents, 0);
      expect((first?.gainCents ?? 0) - gainCents).toBe(Math.round(cents));
      expect(moves.length).toBe(2);
      expect(brings).toEqual([]);
    }
  });
});
