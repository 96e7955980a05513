import { randomUUID } from 'node:crypto';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Person } from '@/core/people/roles';
import type { Fact } from '@/core/shop/facts';
import { inShopTime } from '@/core/shop/shopTime';
import { writeChoice } from '@/files/backup/backupChoice';
import { writeGauges } from '@/files/machine/writeGauges';
import { recordFact } from '@/services/facts/recordFact';
import { scratchDatabase, somebody, type Scratch } from '../../../tests/support/scratch';
import { readMachine, readPressing } from './readMachine';

let scratch: Scratch;
let imke: Person;
const now = new Date('2026-11-28T12:00:00Z');
const minute = 60_000;
const home = mkdtempSync(join(tmpdir(), 'plucky-machine-'));
beforeAll(async () => {
  scratch = await scratchDatabase();
  imke = await somebody(scratch.db, 'Imke R.');
});
afterAll(async () => {
  rmSync(home, { recursive: true, force: true });
  await scratch.drop();
});

const read = (from: Partial<Parameters<typeof readMachine>[1]> = {}) =>
  readMachine(scratch.db, { home, isDemo: false, ...from }, now);
const told = async (about: string) =>
  (await read()).verdicts.filter((verdict) => verdict.about === about).map(({ urgency, says }) => [urgency, says.code]);

/** A parcel that was made some minutes ago, by a clock that was off by others. */
async function made(agoMinutes: number, offMinutes = 0): Promise<void> {
  const id = randomUUID();
  const sent = new Date(now.getTime() + offMinutes * minute);
  const about = { supplier: 'Ferry line', pricePaidCents: 1, transportCents: 0, receivedOn: '2026-11-26' };
  const fact = {
    id: randomUUID(),
    type: 'parcel-made',
    subjectId: id,
    expects: null,
    at: new Date(sent.getTime() - agoMinutes * minute).toISOString(),
    payload: { code: `Lot ${id.slice(0, 8)}`, ...about },
  } as Fact;
  const outcome = await recordFact(scratch.db, imke, inShopTime(fact, sent.toISOString(), now), now);
  if (!outcome.ok) throw new Error(outcome.refusal.reason);
}

test('an empty shop needs nothing yet', async () => {
  const { state, verdicts } = await read();
  expect(state.shop).toMatchObject({ facts: 0, firstAt: null });
  expect(state.room?.totalBytes).toBeGreaterThan(0);
  expect(verdicts.filter(({ urgency }) => urgency === 'now')).toEqual([]);
});

test('facts that waited in a browser and clocks that were off are told by bench; others are not', async () => {
  await made(1);
  expect((await read()).state).toMatchObject({ late: [], clocks: [] });
  await made(25);
  await made(40);
  await made(1, 12);
  const { late, clocks } = (await read()).state;
  expect(late).toEqual([{ bench: 'Bench 1', facts: 2, longestMinutes: 40 }]);
  expect(clocks).toEqual([{ bench: 'Bench 1', facts: 1, offS: 720 }]);
});

test('backups are looked up where they go, and what is missing presses on Today, too', async () => {
  await scratch.db('facts').update({ client_at: new Date(now.getTime() - 48 * 60 * minute) });
  const pressing = async () =>
    (await readPressing(scratch.db, { home, isDemo: false }, now)).map(({ says }) => says.code);
  expect(await told('backup')).toEqual([['now', 'machine.noBackup']]);
  expect(await pressing()).toEqual(['machine.noBackup']);
  const folder = join(home, 'backups');
  mkdirSync(folder);
  writeFileSync(join(folder, 'shop-2026-11-28T03-00-00.zip'), 'x'.repeat(500));
  writeFileSync(join(folder, 'holiday.zip'), 'not ours');
  expect(await told('backup')).toEqual([['fine', 'machine.lastBackup']]);
  expect(await told('backup-disk')).toEqual([['soon', 'machine.sameDisk']]);
  expect(await pressing()).toEqual([]);
  writeChoice(home, { folder: join(home, 'not-plugged-in'), keep: 3 });
  expect(await told('backup-disk')).toEqual([['now', 'machine.folderAway']]);
  writeFileSync(join(home, 'backups.json'), '{');
  expect(await told('backup')).toEqual([['now', 'machine.choiceUnreadable']]);
  rmSync(join(home, 'backups.json'));
});

test('of the demo, and of a database that is elsewhere, nothing of backups can be said', async () => {
  expect((await read({ isDemo: true })).state.backup).toBe('demo');
  expect((await read({ home: undefined })).state).toMatchObject({ room: null, backup: 'elsewhere' });
});

test('the gauges say the same figures; what is not known is left out', async () => {
  const { state } = await read();
  const text = writeGauges(state);
  expect(text).toContain(`plucky_facts ${state.shop.facts}\n`);
  expect(text).toContain(
    'plucky_facts_late 0\n'.replace('0', String(state.late.reduce((sum, { facts }) => sum + facts, 0))),
  );
  expect(text).toContain(`plucky_backup_age_seconds ${9 * 3600}\n`);
  const elsewhere = writeGauges((await read({ home: undefined })).state);
  expect(elsewhere).not.toMatch(/plucky_(disk|backup)/);
});
