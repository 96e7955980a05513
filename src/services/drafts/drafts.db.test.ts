import { randomUUID } from 'node:crypto';
import { phone, shippedModels } from '../../../tests/support/models';
import { scratchDatabase, type Scratch } from '../../../tests/support/scratch';
import { emptyLine, writeLine } from '@/core/drafting/operationLine';
import type { Model } from '@/core/procedure/model';
import { readModelPage } from '@/services/models/readModelPage';
import { dropDraft } from './dropDraft';
import { openDraft, type DraftSource } from './openDraft';
import { publishDraft } from './publishDraft';
import { readDraft, type DraftView } from './readDraft';
import { readDrafts } from './readDrafts';
import { saveDraft } from './saveDraft';
import { say } from '@/words/catalogue/core/library';

let scratch: Scratch;
beforeAll(async () => {
  scratch = await scratchDatabase();
});
afterAll(() => scratch.drop());

const at = new Date('2026-11-25T08:00:00Z');
const published = { at, note: 'longer strip', by: 'Sunniva' };

async function open(source: DraftSource, id: string = randomUUID(), by = 'Sunniva'): Promise<DraftView> {
  const outcome = await openDraft(scratch.db, source, { id, by, at });
  if (!outcome.ok) throw new Error(JSON.stringify(outcome));
  return (await readDraft(scratch.db, outcome.value)) as DraftView;
}
const save = (id: string, document: unknown, expects: number, by = 'Sunniva', saveId: string = randomUUID()) =>
  saveDraft(scratch.db, { id, document, expects, saveId }, by, at);

describe('a draft', () => {
  test('of a model is its newest version; asked for twice it is one draft', async () => {
    const id = randomUUID();
    const draft = await open({ from: 'model', modelId: phone.id }, id);
    expect(draft).toMatchObject({ document: phone, basedOn: phone.version, version: 1, savedBy: 'Sunniva' });
    expect((await open({ from: 'model', modelId: phone.id }, id)).id).toBe(id);
    expect((await readDrafts(scratch.db)).drafts.filter((entry) => entry.id === id)).toHaveLength(1);
    await dropDraft(scratch.db, id);
    expect(await readDraft(scratch.db, id)).toBeUndefined();
  });

  test('of nothing has one face and nothing else; of an unknown model is refused', async () => {
    const { document } = await open({ from: 'nothing', head: { maker: 'Fennick', name: 'Gull', kind: 'phone' } });
    expect(document).toMatchObject({ id: 'fennick-gull', operations: [], parts: [] });
    const outcome = await openDraft(scratch.db, { from: 'model', modelId: 'moon' }, { id: randomUUID(), by: 'x', at });
    expect(outcome).toMatchObject({ refusal: { reason: 'unknown-model' } });
  });

  test('may lack things, but not be of another shape', async () => {
    const unfinished = { ...phone, id: 'fennick-half', letters: '', proofOfOff: '', operations: [] };
    expect((await open({ from: 'document', document: unfinished })).document).toEqual(unfinished);
    for (const document of [{ ...phone, operations: 'many' }, { name: 'x' }, { ...phone, colour: 'red' }]) {
      const outcome = await openDraft(scratch.db, { from: 'document', document }, { id: randomUUID(), by: 'x', at });
      expect(outcome).toMatchObject({ refusal: { reason: 'model-invalid' } });
    }
  });

  test('two leads at one draft: the second is told by whom, and nothing of the first is lost', async () => {
    const { id } = await open({ from: 'model', modelId: phone.id });
    expect(await save(id, { ...phone, name: 'First' }, 1, 'Mirel')).toEqual({ ok: true, value: 2 });
    expect(await save(id, { ...phone, name: 'Second' }, 1)).toMatchObject({
      refusal: { reason: 'draft-stale', values: { by: 'Mirel' } },
    });
    expect((await readDraft(scratch.db, id))?.document.name).toBe('First');
    expect(await publishDraft(scratch.db, id, 1, published)).toMatchObject({ refusal: { reason: 'draft-stale' } });
  });

  test('the same save sent twice counts once; many at once leave one winner', async () => {
    const { id } = await open({ from: 'model', modelId: phone.id });
    const saveId = randomUUID();
    expect(await save(id, { ...phone, name: 'A' }, 1, 'Sunniva', saveId)).toEqual({ ok: true, value: 2 });
    expect(await save(id, { ...phone, name: 'A' }, 1, 'Sunniva', saveId)).toEqual({ ok: true, value: 2 });
    const outcomes = await Promise.all([1, 2, 3, 4, 5].map((number) => save(id, { ...phone, name: `N${number}` }, 2)));
    expect(outcomes.filter(({ ok }) => ok)).toHaveLength(1);
    expect((await readDraft(scratch.db, id))?.version).toBe(3);
  });

  test('a document of another shape is refused and the saved one stays', async () => {
    const { id } = await open({ from: 'model', modelId: phone.id });
    expect(await save(id, { ...phone, parts: null }, 1)).toMatchObject({ refusal: { reason: 'model-invalid' } });
    expect((await readDraft(scratch.db, id))?.document).toEqual(phone);
    expect(await save(randomUUID(), phone, 1)).toMatchObject({ refusal: { reason: 'not-found' } });
  });
});

describe('publishing', () => {
  test('gives the next number, keeps the old version, and says what changed', async () => {
    const { id, document } = await open({ from: 'model', modelId: phone.id });
    await save(
      id,
      {
        ...document,
        operations: document.operations.map((operation) =>
          operation.id === 'strip' ? { ...operation, minutes: { low: 1, likely: 2, high: 4 } } : operation,
        ),
      },
      1,
    );
    expect(await publishDraft(scratch.db, id, 2, published)).toMatchObject({
      ok: true,
      value: { version: phone.version + 1 },
    });
    expect(await readDraft(scratch.db, id)).toBeUndefined();
    const page = await readModelPage(scratch.db, phone.id);
    expect(page?.versions.map(({ version }) => version)).toEqual([phone.version + 1, phone.version]);
    expect(page?.versions[0]).toMatchObject({ note: 'longer strip', publishedBy: 'Sunniva' });
    expect(page?.versions[0]?.differences.map(({ about, says }) => [say(about), say(says)])).toEqual([
      ['step “Pull the battery strip”', 'minutes: 0.6, 1, 2.5 → 1, 2, 4'],
    ]);
    expect((await readModelPage(scratch.db, phone.id, phone.version))?.model).toEqual(phone);
  });

  test('a faulty draft stays a draft; two drafts of one model get two numbers', async () => {
    const faulty = await open({ from: 'nothing', head: { maker: 'Fennick', name: 'Empty', kind: 'tablet' } });
    expect(await publishDraft(scratch.db, faulty.id, 1, published)).toMatchObject({
      refusal: { reason: 'model-invalid' },
    });
    expect(await readDraft(scratch.db, faulty.id)).toBeDefined();
    const shipped = shippedModels.find(({ id }) => id === 'oddkin-wick')?.version ?? 0;
    const drafts = await Promise.all([1, 2].map(() => open({ from: 'model', modelId: 'oddkin-wick' })));
    const outcomes = [];
    for (const { id } of drafts) outcomes.push(await publishDraft(scratch.db, id, 1, published));
    expect(outcomes.map((outcome) => (outcome.ok ? outcome.value.version : outcome))).toEqual([
      shipped + 1,
      shipped + 2,
    ]);
  });

  test('a small model written line by line can be published', async () => {
    const draft = await open({ from: 'nothing', head: { maker: 'Fennick', name: 'Tiny', kind: 'handheld' } });
    const lines = [
      { title: 'Slide the door off', opens: 'tab', frees: 'door' },
      { title: 'Take the battery out', opens: 'clip', frees: 'battery' },
      { title: 'Take the board out', opens: '3 PH00 3.0', frees: 'board' },
    ];
    const written = lines.reduce<Model>(
      (model, line) => writeLine(model, model.operations.length, { ...emptyLine, ...line }).model,
      { ...draft.document, proofOfOff: 'Battery out: it is off.' },
    );
    await save(draft.id, written, 1);
    expect(await publishDraft(scratch.db, draft.id, 2, published)).toMatchObject({
      ok: true,
      value: { id: 'fennick-tiny', version: 1 },
    });
  });
});
