import { laptop, phone, shippedModels } from '../../../tests/support/models';
import { scratchDatabase, type Scratch } from '../../../tests/support/scratch';
import { largeModel } from '../../../scripts/support/largeModel';
import { fillModelCards } from '@/data/migrations/fillModelCards';
import { findModels } from './findModels';
import { previewModel } from './previewModel';
import { readComparison } from './readComparison';
import { readModelPage } from './readModelPage';
import { say } from '@/words/catalogue/core/library';

let scratch: Scratch;
beforeAll(async () => {
  scratch = await scratchDatabase();
});
afterAll(() => scratch.drop());

const preview = async (document: unknown) => {
  const told = await previewModel(scratch.db, typeof document === 'string' ? document : JSON.stringify(document));
  if (!told.ok) throw new Error(told.refusal.reason);
  return told.value;
};
const firstSays = async (document: unknown) => {
  const { model, problems, isPublishable } = await preview(document);
  return { isDrawn: model !== null, isPublishable, rule: problems[0]?.rule, place: problems[0]?.place };
};
const withOperation = (at: number, change: object) => ({
  ...phone,
  operations: phone.operations.map((operation, index) => (index === at ? { ...operation, ...change } : operation)),
});

describe('the library', () => {
  test('finds by any name, kind, maker and feature, and counts what there is', async () => {
    const view = await findModels(scratch.db, { text: 'hexagon' });
    expect(view.total).toBe(shippedModels.length);
    expect((await findModels(scratch.db, { text: 'pen' })).cards.map(({ name }) => name)).toContain('Twofold Quay');
    expect(view.makers).toEqual(['Brinewell', 'Fennick', 'Marrowby', 'Oddkin']);
  });

  test('models from before there were cards get one', async () => {
    await scratch.db('model_cards').delete();
    await fillModelCards(scratch.db);
    expect((await findModels(scratch.db, { text: '' })).total).toBe(shippedModels.length);
  });

  test('a page knows its checks and versions; a model nobody has is not there', async () => {
    const page = await readModelPage(scratch.db, laptop.id);
    expect(page?.model).toEqual(laptop);
    expect(page?.problems).toEqual([]);
    expect(await readModelPage(scratch.db, 'moon')).toBeUndefined();
    expect(await readComparison(scratch.db, phone.id, 'moon')).toBeUndefined();
    expect((await readComparison(scratch.db, phone.id, laptop.id))?.models).toEqual([phone, laptop]);
  });
});

describe('a document that is looked at before it is taken', () => {
  test('is drawn, checked and held against the version there is; nothing is written', async () => {
    const { model, isPublishable, newest, differences } = await preview({
      ...phone,
      version: phone.version + 1,
      name: 'Lantern 5s',
    });
    expect([model?.name, isPublishable, newest]).toEqual(['Lantern 5s', true, phone.version]);
    expect(differences.map(({ kind, about, says }) => [kind, say(about), say(says)])).toEqual([
      ['changed', 'the model', 'name: “Lantern 5” → “Lantern 5s”'],
    ]);
    expect((await readModelPage(scratch.db, phone.id))?.versions).toHaveLength(1);
  });

  test.each([
    [
      'cycles',
      withOperation(0, { after: [{ any: ['strip'], reason: 'house', because: 'x' }] }),
      { isDrawn: true, rule: 'cycle' },
    ],
    [
      'dangling references',
      withOperation(3, { face: 'moon' }),
      { isDrawn: true, rule: 'dangling-id', place: 'operations[3] (warm-back).face' },
    ],
    [
      'negative times',
      withOperation(2, { minutes: { low: -1, likely: 1, high: 2 } }),
      { isDrawn: false, rule: 'schema', place: 'operations[2] (tape-glass).minutes.low' },
    ],
    [
      'wrong units',
      withOperation(2, { minutes: { low: 120, likely: 180, high: 240 } }),
      { isDrawn: true, isPublishable: true, rule: 'implausible' },
    ],
    [
      '5,000 operations',
      { ...phone, operations: Array.from({ length: 5000 }, (_, at) => ({ ...phone.operations[0], id: `o${at}` })) },
      { isDrawn: false, rule: 'too-large', place: 'operations' },
    ],
    ['unknown fields', { ...phone, colour: 'red' }, { isDrawn: false, rule: 'schema', place: 'document' }],
    ['a newer format', { ...phone, format: 'plucky-parcel/model@9' }, { isDrawn: false, rule: 'format-newer' }],
    [
      'a drawing outside its face',
      { ...phone, joints: phone.joints.map((joint, at) => (at === 0 ? { ...joint, xMm: 300 } : joint)) },
      { isDrawn: true, rule: 'outside-face', place: 'joints[0] (tray)' },
    ],
    [
      'ids with odd characters',
      withOperation(1, { id: 'Tray!' }),
      { isDrawn: false, rule: 'schema', place: 'operations[1] (Tray!).id' },
    ],
    [
      'markup in names',
      { ...phone, name: '<img src=x onerror=alert(1)>' },
      { isDrawn: true, isPublishable: false, rule: 'markup', place: 'name' },
    ],
    ['no JSON', '{', { isDrawn: false, rule: 'json' }],
  ])('%s: named with the place', async (_, document, expected) => {
    expect(await firstSays(document)).toMatchObject({ isPublishable: false, ...expected });
  });

  test('300 operations are taken', async () => {
    expect(await preview(largeModel(300))).toMatchObject({ isPublishable: true, problems: [] });
  });
});
