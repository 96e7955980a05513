import { startingHouseRules } from '@/core/shared/houseRules';
import { Chance } from '@/core/shared/chance';
import { shippedModels } from '../../../tests/support/models';
import { RandomHistory } from '../../../tests/support/randomHistory';
import { applyFact } from './applyFact';
import { factTypes, type Fact, type FactType, type RecordedFact } from './facts';
import { MemoryWorld } from './memoryWorld';
import { replay } from './replay';
import { withCarried } from './stepParts';
import type { Change } from './world';

/** As the server writes it down: with what is still on a part that came free. */
const asLogged = (fact: Fact, changes: readonly Change[]): Fact =>
  fact.type === 'step-done'
    ? { ...fact, payload: { ...fact.payload, freed: withCarried(fact.payload.freed, changes) } }
    : fact;

function play(seed: number, wanted: number) {
  const world = new MemoryWorld(shippedModels, [startingHouseRules]);
  const history = new RandomHistory(world, shippedModels, new Chance(seed));
  const log: RecordedFact[] = [];
  let refused = 0;
  while (log.length < wanted) {
    const fact = history.next();
    const outcome = applyFact(world, fact);
    if (!outcome.ok) {
      refused += 1;
      continue;
    }
    world.commit(fact, outcome.value);
    history.accepted(fact);
    const touched = outcome.value.map(({ kind, id, before }) => ({ kind, id, before }));
    log.push({
      ...asLogged(fact, outcome.value),
      position: log.length + 1,
      personId: 'p',
      bench: 'b',
      receivedAt: fact.at,
      touched,
    });
  }
  return { world, log, refused };
}

describe('replay', () => {
  test('5,000 random facts with undos give the same state by replay and step by step', () => {
    const { world, log, refused } = play(9, 5000);
    const rebuilt = replay(log, shippedModels, [startingHouseRules]);
    expect(rebuilt.tables).toEqual(world.tables);
    const types = new Map<FactType, number>();
    for (const { type } of log) types.set(type, (types.get(type) ?? 0) + 1);
    // The history is worth something: it undoes, it goes through every stage, and some facts were refused.
    expect(types.get('undone')).toBeGreaterThan(150);
    expect(factTypes.filter((type) => !types.has(type))).toEqual([]);
    expect(refused).toBeGreaterThan(50);
    expect(world.tables.unit.size).toBeGreaterThan(50);
  });

  test('a log with a position left out is refused, not guessed', () => {
    const { log } = play(3, 60);
    expect(() =>
      replay(
        log.filter(({ position }) => position !== 31),
        shippedModels,
        [startingHouseRules],
      ),
    ).toThrow('position 31 is missing');
  });

  test('taking everything back, newest first, leaves nothing', () => {
    const world = new MemoryWorld(shippedModels, [startingHouseRules]);
    const history = new RandomHistory(world, shippedModels, new Chance(11));
    const made: { id: string; subjectId: string }[] = [];
    while (made.length < 300) {
      const fact = history.next();
      if (fact.type === 'undone') continue;
      const outcome = applyFact(world, fact);
      if (!outcome.ok) continue;
      world.commit(fact, outcome.value);
      made.push(fact);
    }
    for (const [index, target] of made.reverse().entries()) {
      const undo = {
        id: `undo-${index}`,
        type: 'undone' as const,
        subjectId: target.subjectId,
        expects: null,
        at: '2026-01-01T00:00:00Z',
        payload: { factId: target.id },
      };
      const outcome = applyFact(world, undo);
      expect(outcome).toMatchObject({ ok: true });
      if (outcome.ok) world.commit(undo, outcome.value);
    }
    expect([...Object.values(world.tables)].map((table) => table.size)).toEqual([0, 0, 0, 0]);
  });
});
