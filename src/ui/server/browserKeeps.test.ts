import 'fake-indexeddb/auto';
import { openDB } from 'idb';
import { browserLaid, browserLetters } from './browserKeeps';

interface Note {
  readonly id: string;
}

test('an older page’s facts are taken over: those that wait in their order, those that were refused with the reason', async () => {
  const old = await openDB('plucky-parcel', 3, {
    upgrade: (db) => {
      db.createObjectStore('facts', { keyPath: 'order', autoIncrement: true }).createIndex('id', 'fact.id');
      db.createObjectStore('refused', { keyPath: 'fact.id' });
      db.createObjectStore('laid');
    },
  });
  for (const id of ['first', 'second', 'alpha']) await old.put('facts', { fact: { id } });
  await old.put('refused', { fact: { id: 'bad' }, refusal: { reason: 'stale', values: {} } });
  await old.put('laid', { version: 3 }, 'unit');
  old.close();

  const letters = browserLetters<Note>('facts');
  const left = await letters.load();
  expect(left.map(({ letter, refusal }) => [letter.id, refusal?.reason ?? null])).toEqual([
    ['bad', 'stale'],
    ['first', null],
    ['second', null],
    ['alpha', null],
  ]);
  expect(await browserLaid.load()).toEqual([['unit', { version: 3 }]]);
  await browserLaid.keep('unit', null);
  await browserLaid.keep('part', { version: 1 });
  expect(await browserLaid.load()).toEqual([['part', { version: 1 }]]);
  await browserLaid.clear();
  expect(await browserLaid.load()).toEqual([]);
  for (const { letter } of left) await letters.drop(letter.id);
  expect(await letters.load()).toEqual([]);
});

test('each outbox has its own letters, in the order in which they were made, one for each id', async () => {
  const one = browserLetters<Note & { text?: string }>('one');
  const other = browserLetters<Note>('one more');
  for (const id of ['z', 'a', 'm']) await one.keep({ id }, null);
  await other.keep({ id: 'z' }, null);
  await one.keep({ id: 'a', text: 'mended' }, { reason: 'bad-input', values: {} });
  expect((await one.load()).map(({ letter }) => letter.id)).toEqual(['z', 'm', 'a']);
  expect((await one.load()).at(-1)).toMatchObject({ letter: { text: 'mended' }, refusal: { reason: 'bad-input' } });
  await one.drop('z');
  expect(await other.load()).toHaveLength(1);
});
