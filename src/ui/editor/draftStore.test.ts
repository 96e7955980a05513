import { MemoryLetters, settleAll } from '../../../tests/support/letterStore';
import { phone } from '../../../tests/support/models';
import type { Model } from '@/core/procedure/model';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { DraftStore, type DraftLetter } from './draftStore';
import { readCents, sayCents } from './cents';

const named = (name: string): Model => ({ ...phone, name });

/** A server that answers as told, and a browser that keeps. */
function bench(answers: Outcome<{ version: number }>[] = [], left: readonly DraftLetter[] = [], served = 1) {
  const puts: { name: string; expects: number }[] = [];
  const timers: (() => void)[] = [];
  const letters = new MemoryLetters<DraftLetter>(left);
  let version = served;
  const store = new DraftStore('d', phone, served, {
    store: letters,
    put: async ({ document, expects }) => {
      puts.push({ name: document.name, expects });
      const told = answers.shift();
      if (!told && expects !== version) return refuse('draft-stale', { by: 'Mirel' });
      const answer = told ?? accept({ version: version + 1 });
      if (answer.ok) version = answer.value.version;
      return answer;
    },
    later: (work) => void timers.push(work),
  });
  const tick = async () => {
    for (const work of timers.splice(0)) work();
    await settleAll();
  };
  const kept = () => letters.rows.get('d')?.letter ?? null;
  return { store, puts, tick, kept };
}

describe('a draft being edited', () => {
  test('is kept in the browser at once and saved a moment later, many changes in one save', async () => {
    const { store, puts, tick, kept } = bench();
    store.change(named('a'));
    store.change(named('ab'));
    expect(kept()?.document.name).toBe('ab');
    expect(store.read().save.is).toBe('saving');
    await tick();
    expect(puts).toEqual([{ name: 'ab', expects: 1 }]);
    expect([store.read().save.is, store.read().version, kept()]).toEqual(['saved', 2, null]);
  });

  test('every change can be taken back and done again; a new one forgets what was taken back', () => {
    const { store } = bench();
    for (const name of ['a', 'b', 'c']) store.change(named(name));
    store.undo();
    store.undo();
    expect(store.read().model.name).toBe('a');
    store.redo();
    expect(store.read().model.name).toBe('b');
    store.change(named('d'));
    expect(store.read().canRedo).toBe(false);
    for (let times = 0; times < 9; times += 1) store.undo();
    expect([store.read().model.name, store.read().canUndo]).toEqual(['Lantern 5', false]);
  });

  test('somebody else saved first: saving stops, nothing is lost, and theirs can be taken and taken back', async () => {
    const { store, puts, tick, kept } = bench([refuse('draft-stale', { by: 'Mirel' }), accept({ version: 6 })]);
    store.change(named('mine'));
    await tick();
    expect(store.read().save).toEqual({ is: 'stale', by: 'Mirel' });
    store.change(named('still mine'));
    await tick();
    expect(puts).toHaveLength(1);
    expect(kept()?.document.name).toBe('still mine');
    store.takeTheirs(named('theirs'), 5);
    expect([store.read().model.name, store.read().save.is]).toEqual(['theirs', 'saved']);
    store.undo();
    expect(store.read().model.name).toBe('still mine');
    await tick();
    expect(puts.at(-1)).toEqual({ name: 'still mine', expects: 5 });
  });

  test('the server is away: kept here, and saved when it is back', async () => {
    const { store, tick, kept } = bench([refuse('server-away'), refuse('database-away')]);
    store.change(named('a'));
    await tick();
    expect([store.read().save.is, kept()?.document.name]).toEqual(['away', 'a']);
    await tick();
    await tick();
    expect([store.read().save.is, kept()]).toEqual(['saved', null]);
  });

  test('a browser closed in mid-edit: its copy is fetched back and saved', async () => {
    const { store, puts } = bench([], [{ id: 'd', document: named('half a line'), expects: 1, saveId: 's' }]);
    await store.resume();
    expect(store.read().model.name).toBe('half a line');
    await settleAll();
    expect(puts).toEqual([{ name: 'half a line', expects: 1 }]);
    store.undo();
    expect(store.read().model.name).toBe(phone.name);
  });

  test('a copy from before somebody else saved is shown as such, over another reload too', async () => {
    const old = { id: 'd', document: named('old'), expects: 0, saveId: 's' };
    const { store, tick } = bench([], [old]);
    await store.resume();
    await settleAll();
    expect(store.read()).toMatchObject({ save: { is: 'stale', by: 'Mirel' }, model: { name: 'old' } });
    await tick();
    expect(store.read().save.is).toBe('stale');
  });

  test('what is written while a save is on its way is saved over the version that it makes', async () => {
    const { store, puts, tick } = bench();
    store.change(named('a'));
    const ticked = tick();
    store.change(named('ab'));
    await ticked;
    await tick();
    expect(puts).toEqual([
      { name: 'a', expects: 1 },
      { name: 'ab', expects: 2 },
    ]);
    expect(store.read()).toMatchObject({ version: 3, save: { is: 'saved' } });
  });

  test('what the server refuses is said, not tried again', async () => {
    const { store, puts, tick } = bench([refuse('model-invalid', { says: 'x' })]);
    store.change(named('a'));
    await tick();
    await tick();
    expect([store.read().save.is, puts.length]).toEqual(['refused', 1]);
    store.change(named('mended'));
    await tick();
    expect([store.read().save.is, puts.length]).toEqual(['saved', 2]);
  });
});

describe('money as it is typed', () => {
  test('one figure or four, in units with a point or a comma', () => {
    expect(readCents('12,50 9 6 2')).toEqual({ A: 1250, B: 900, C: 600, D: 200 });
    expect(readCents('10')).toEqual({ A: 1000, B: 800, C: 500, D: 200 });
    for (const text of ['', 'ten', '1 2', '-1', '1 2 3 4 5']) expect(readCents(text)).toBeNull();
    expect([sayCents(1250), sayCents(900)]).toEqual(['12.50', '9']);
  });
});
