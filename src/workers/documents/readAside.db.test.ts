import { shippedModels } from '../../../tests/support/models';
import { DocumentThreads } from './readAside';

const threads = new DocumentThreads();
const hasty = new DocumentThreads({ mostMs: 1 });
const narrow = new DocumentThreads({ threadMb: 24, threads: 1 });
afterAll(() => Promise.all([threads, hasty, narrow].map((each) => each.end())));
const readAside = threads.read.bind(threads);

const quay = JSON.stringify(shippedModels[0]);

test('a document is read as its reader would, in a thread of its own', async () => {
  const [model, rules, table] = await Promise.all([
    readAside('model', quay),
    readAside('rules', '{'),
    readAside('table', Buffer.from('maker,model\nOddkin,Lantern\n')),
  ]);
  expect(model).toMatchObject({ ok: true, value: { model: { id: shippedModels[0]?.id }, problems: [] } });
  expect(rules).toMatchObject({ ok: true, value: { ok: false, refusal: { values: { fault: 'not-json' } } } });
  expect(table).toMatchObject({
    ok: true,
    value: {
      ok: true,
      value: {
        rows: [
          ['maker', 'model'],
          ['Oddkin', 'Lantern'],
        ],
      },
    },
  });
});

test('the thread that everything else runs in goes on meanwhile', async () => {
  let ticks = 0;
  const ticking = setInterval(() => (ticks += 1), 5);
  const rows = Array.from({ length: 19_000 }, (_, at) => `Oddkin,Lantern 5,SN-${at},"a note, ${'x'.repeat(150)}"`).join(
    '\n',
  );
  const table = await readAside('table', Buffer.from(`maker,model,serial,note\n${rows}\n`));
  clearInterval(ticking);
  expect(table).toMatchObject({ ok: true, value: { ok: true } });
  expect(ticks).toBeGreaterThan(3);
});

test('what takes too long is stopped and said; the next document is read as ever', async () => {
  expect(await hasty.read('model', quay)).toMatchObject({ refusal: { reason: 'document-too-hard' } });
  expect(await readAside('model', quay)).toMatchObject({ ok: true });
});

test('what takes too much memory ends its thread and nothing else', async () => {
  // Lists in lists: few bytes, and a great many things once they are read.
  const heavy = `[${Array.from({ length: 60 }, () => `[${'[[],[],[],[]],'.repeat(3000)}[]]`).join(',')}]`;
  expect(await narrow.read('model', heavy)).toMatchObject({ refusal: { reason: 'document-too-hard' } });
  expect(await narrow.read('model', quay)).toMatchObject({ ok: true });
});

test('of too many at once some are told to come again, and the others are read', async () => {
  const answers = await Promise.all(Array.from({ length: 40 }, () => readAside('model', quay)));
  const refused = answers.filter(({ ok }) => !ok);
  expect(refused.length).toBeGreaterThan(0);
  expect(refused[0]).toMatchObject({ refusal: { reason: 'too-often' } });
  expect(answers.length - refused.length).toBeGreaterThan(15);
});
