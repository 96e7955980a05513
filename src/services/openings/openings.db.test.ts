import { randomUUID } from 'node:crypto';
import { scratchDatabase, type Scratch } from '../../../tests/support/scratch';
import type { LogEntry, Verb } from '@/core/opening/openingLog';
import { publishDraft } from '@/services/drafts/publishDraft';
import { readDraft } from '@/services/drafts/readDraft';
import { readDrafts } from '@/services/drafts/readDrafts';
import { draftOpening } from './draftOpening';
import { logStep } from './logStep';
import { readOpening } from './readOpening';
import { startOpening } from './startOpening';

let scratch: Scratch;
beforeAll(async () => {
  scratch = await scratchDatabase();
});
afterAll(() => scratch.drop());

const at = new Date('2026-11-25T08:00:00Z');
const head = { maker: 'Fennick', name: 'Gull 7', kind: 'handheld', proofOfOff: 'Battery out: it is off.' } as const;
const entry = (verb: Verb, thing: string, leg: LogEntry['leg'] = 'out'): LogEntry => ({
  id: randomUUID(),
  leg,
  verb,
  thing,
  tool: 'Hands',
  screws: [],
  face: 'Back up',
  posture: '',
  trouble: '',
  seconds: 12.5,
});
async function begin(): Promise<string> {
  const id = randomUUID();
  await startOpening(scratch.db, id, head, 'Imke', at);
  return id;
}
const log = (id: string, place: number, step: LogEntry, number = 1) =>
  logStep(scratch.db, id, { does: 'log', log: number, place, entry: step }, at);

describe('a first opening', () => {
  test('keeps every step as it was logged, once however often it is sent', async () => {
    const id = await begin();
    const [door, cell] = [entry('slide', 'door'), entry('take', 'battery')];
    await log(id, 1, door);
    await log(id, 1, door);
    await log(id, 2, cell);
    await startOpening(scratch.db, id, { ...head, name: 'Other' }, 'Mirel', at);
    expect(await readOpening(scratch.db, id)).toEqual({
      id,
      ...head,
      draftId: null,
      logs: [{ number: 1, entries: [door, cell] }],
    });
  });

  test('another bench at the same place is told; a step can be taken back', async () => {
    const id = await begin();
    await log(id, 1, entry('slide', 'door'));
    const second = entry('take', 'battery');
    expect(await log(id, 1, second)).toMatchObject({ refusal: { reason: 'log-changed' } });
    await log(id, 2, second);
    await logStep(scratch.db, id, { does: 'take-back', entryId: second.id }, at);
    expect((await readOpening(scratch.db, id))?.logs[0]?.entries).toHaveLength(1);
    expect(await logStep(scratch.db, randomUUID(), { does: 'take-back', entryId: second.id }, at)).toMatchObject({
      refusal: { reason: 'not-found' },
    });
  });

  test('becomes a draft that can be published, and is no longer listed as unfinished', async () => {
    const id = await begin();
    const draftId = randomUUID();
    expect(await draftOpening(scratch.db, id, draftId, 'Sunniva', at)).toMatchObject({
      refusal: { reason: 'log-empty' },
    });
    expect((await readDrafts(scratch.db)).openings.map((opening) => opening.id)).toContain(id);
    const out = [
      entry('slide', 'door'),
      entry('take', 'battery'),
      entry('unplug', 'display'),
      entry('take', 'display'),
    ];
    const back = [...out].reverse().map(({ verb, thing }) => entry(verb, thing, 'back'));
    for (const [place, step] of [...out, ...back].entries()) await log(id, place + 1, step);
    expect(await draftOpening(scratch.db, id, draftId, 'Sunniva', at)).toEqual({ ok: true, value: draftId });
    expect((await readDrafts(scratch.db)).openings.map((opening) => opening.id)).not.toContain(id);
    expect((await readDraft(scratch.db, draftId))?.document.operations).toHaveLength(4);
    const outcome = await publishDraft(scratch.db, draftId, 1, { at, note: 'first opening', by: 'Sunniva' });
    expect(outcome).toMatchObject({ ok: true, value: { id: 'fennick-gull-7', version: 1 } });
  });
});
