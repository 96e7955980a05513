import { phone } from '../../../tests/support/models';
import { scratchDatabase, type Scratch } from '../../../tests/support/scratch';
import { importModel } from './importModel';
import { readModel } from './readModel';

let scratch: Scratch;
beforeAll(async () => {
  scratch = await scratchDatabase();
});
afterAll(() => scratch.drop());

const published = { at: new Date('2026-11-25T08:00:00Z'), note: '', by: 'Test' };
const take = (document: object) => importModel(scratch.db, JSON.stringify(document), published);

describe('importing a model', () => {
  test('a published version is never changed; a higher one becomes the newest, the old one stays', async () => {
    expect(await take({ ...phone, name: 'Changed' })).toMatchObject({ ok: false, refusal: { reason: 'code-taken' } });
    expect(await take({ ...phone, version: phone.version + 1, name: 'Lantern 5 second' })).toMatchObject({ ok: true });
    expect((await readModel(scratch.db, phone.id))?.name).toBe('Lantern 5 second');
    expect((await readModel(scratch.db, phone.id, phone.version))?.name).toBe('Lantern 5');
  });

  test('what comes out is what went in', async () => {
    const document = { ...phone, id: 'fennick-copy', maker: 'Fennick' };
    await take(document);
    expect(await readModel(scratch.db, 'fennick-copy')).toEqual(document);
  });

  test('a fault names its place and nothing is written', async () => {
    const broken = {
      ...phone,
      id: 'broken',
      operations: phone.operations.map((operation, at) => (at === 2 ? { ...operation, face: 'moon' } : operation)),
    };
    expect(await take(broken)).toMatchObject({
      refusal: { reason: 'model-invalid', values: { place: 'operations[2] (tape-glass).face' } },
    });
    expect(await readModel(scratch.db, 'broken')).toBeUndefined();
    expect(await importModel(scratch.db, 'no json', published)).toMatchObject({
      refusal: { reason: 'model-invalid', values: { place: 'document' } },
    });
  });
});
