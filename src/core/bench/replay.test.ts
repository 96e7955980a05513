import { Chance } from '@/core/shared/chance';
import { shippedModels } from '../../../tests/support/models';
import { RandomHistory } from '../../../tests/support/randomHistory';
import { applyEvent } from './applyEvent';
import { eventTypes, type EventType, type RecordedEvent } from './events';
import { MemoryWorld } from './memoryWorld';
import { replay } from './replay';

function play(seed: number, wanted: number) {
  const world = new MemoryWorld(shippedModels);
  const history = new RandomHistory(world, shippedModels, new Chance(seed));
  const log: RecordedEvent[] = [];
  let refused = 0;
  while (log.length < wanted) {
    const event = history.next();
    const outcome = applyEvent(world, event);
    if (!outcome.ok) {
      refused += 1;
      continue;
    }
    world.commit(event, outcome.value);
    history.accepted(event);
    const touched = outcome.value.map(({ kind, id, before }) => ({ kind, id, before }));
    log.push({ ...event, position: log.length + 1, personId: 'p', bench: 'b', receivedAt: event.at, touched });
  }
  return { world, log, refused };
}

describe('replay', () => {
  test('5,000 random facts with undos give the same state by replay and step by step', () => {
    const { world, log, refused } = play(7, 5000);
    const rebuilt = replay(log, shippedModels);
    expect(rebuilt.tables).toEqual(world.tables);
    const types = new Map<EventType, number>();
    for (const { type } of log) types.set(type, (types.get(type) ?? 0) + 1);
    // The history is worth something: it undoes, it goes through every stage, and some facts were refused.
    expect(types.get('undone')).toBeGreaterThan(150);
    expect(eventTypes.filter((type) => !types.has(type))).toEqual([]);
    expect(refused).toBeGreaterThan(50);
    expect(world.tables.unit.size).toBeGreaterThan(50);
  });

  test('a log with a position left out is refused, not guessed', () => {
    const { log } = play(3, 60);
    expect(() =>
      replay(
        log.filter(({ position }) => position !== 31),
        shippedModels,
      ),
    ).toThrow('position 31 is missing');
  });

  test('taking everything back, newest first, leaves nothing', () => {
    const world = new MemoryWorld(shippedModels);
    const history = new RandomHistory(world, shippedModels, new Chance(11));
    const made: { id: string; subjectId: string }[] = [];
    while (made.length < 300) {
      const event = history.next();
      if (event.type === 'undone') continue;
      const outcome = applyEvent(world, event);
      if (!outcome.ok) continue;
      world.commit(event, outcome.value);
      made.push(event);
    }
    for (const [index, target] of made.reverse().entries()) {
      const undo = {
        id: `undo-${index}`,
        type: 'undone' as const,
        subjectId: target.subjectId,
        expects: null,
        at: '2026-01-01T00:00:00Z',
        payload: { eventId: target.id },
      };
      const outcome = applyEvent(world, undo);
      expect(outcome).toMatchObject({ ok: true });
      if (outcome.ok) world.commit(undo, outcome.value);
    }
    expect([...Object.values(world.tables)].map((table) => table.size)).toEqual([0, 0, 0, 0]);
  });
});
