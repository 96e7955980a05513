import { randomUUID } from 'node:crypto';
import { handset } from '../../../tests/support/models';
import { scratchDatabase, somebody, type Scratch } from '../../../tests/support/scratch';
import type { Person } from '@/core/people/roles';
import type { FactType, Payloads } from '@/core/shop/facts';
import { wordedFact } from '@/core/shop/makeFact';
import { sheetOf } from '@/core/sheet/sheetOf';
import type { Unit } from '@/core/entities/entities';
import { findUnit } from '@/data/units/unitRepository';
import { ruleBook } from '@/data/rules/houseRulesRepository';
import { compareWithLog } from '@/services/facts/compareWithLog';
import { recordFact } from '@/services/facts/recordFact';
import { changeRules } from './changeRules';
import { readRules } from './readRules';

let scratch: Scratch;
let imke: Person;
const now = new Date('2026-11-26T08:00:00Z');
const versions = new Map<string, number>();
beforeAll(async () => {
  scratch = await scratchDatabase();
  imke = await somebody(scratch.db, 'Imke R.');
});
afterAll(() => scratch.drop());

async function act<T extends FactType>(type: T, subjectId: string, payload: Payloads[T], rulesVersion?: number) {
  const fact = wordedFact<FactType>(
    { type, subjectId, payload },
    {
      id: randomUUID(),
      expects: versions.get(subjectId) ?? null,
      at: now.toISOString(),
      ...(rulesVersion !== undefined && { rulesVersion }),
    },
  );
  const outcome = await recordFact(scratch.db, imke, fact, now);
  if (outcome.ok) for (const { id, after } of outcome.value.results) if (after) versions.set(id, after.version);
  return outcome;
}

async function donor(): Promise<string> {
  const [parcelId, unitId] = [randomUUID(), randomUUID()];
  await act('parcel-made', parcelId, {
    code: `Lot ${parcelId.slice(0, 8)}`,
    supplier: 'Ferry',
    pricePaidCents: 1,
    transportCents: 0,
    receivedOn: '2026-11-26',
  });
  await act('unit-tagged', unitId, { parcelId, lineNo: null });
  await act('unit-identified', unitId, {
    modelId: handset.id,
    modelVersion: handset.version,
    revision: handset.revisions[0]?.id ?? '',
    configuration: handset.configurations[0]?.id ?? '',
    variant: handset.variants[0]?.id ?? '',
    serial: unitId,
  });
  await act('unit-decided', unitId, { disposition: 'donor', proposed: 'donor', apartPlace: null });
  return unitId;
}
const start = (unitId: string, rulesVersion?: number) =>
  act('sheet-started', unitId, { kind: 'teardown', targets: ['board'], keeping: 'tray' }, rulesVersion);
const unitOf = async (id: string) => (await findUnit(scratch.db, { id })) as Unit;

test('a change makes the next version; a sheet under way keeps the one it was started with, and so does its replay', async () => {
  const before = await readRules(scratch.db);
  const first = await donor();
  await start(first);
  const planned = (unit: Unit) => unit.sheet && sheetOf(handset, unit, unit.sheet);
  const sheet = planned(await unitOf(first));
  const { version: _, ...rules } = before;
  // One cup for everything, and turning the unit takes a quarter of an hour.
  const changed = await changeRules(scratch.db, { ...rules, trayCups: 1, turnMinutes: 15 }, { at: now, by: imke.id });
  if (!changed.ok) throw new Error('they can be changed');
  const after = changed.value;
  expect(after.version).toBe(before.version + 1);
  expect(await readRules(scratch.db)).toEqual(after);
  expect(planned(await unitOf(first))).toEqual(sheet);
  const second = await donor();
  await start(second);
  expect((await unitOf(second)).sheet?.rules).toMatchObject({ version: after.version, trayCups: 1 });
  expect((await unitOf(first)).sheet?.rules).toMatchObject({ version: before.version, trayCups: before.trayCups });
  expect((await compareWithLog(scratch.db)).differences).toEqual([]);
});

test('who acted under older rules, offline perhaps, keeps them; a version that never was is refused', async () => {
  const [oldest] = await ruleBook(scratch.db);
  const unitId = await donor();
  expect(await start(unitId, 99)).toMatchObject({ refusal: { reason: 'rules-unknown', values: { version: 99 } } });
  expect(await start(unitId, oldest?.version)).toMatchObject({ ok: true });
  expect((await unitOf(unitId)).sheet?.rules.version).toBe(oldest?.version);
  expect((await compareWithLog(scratch.db)).differences).toEqual([]);
});

test('two changes at once become two versions', async () => {
  const { version, ...rules } = await readRules(scratch.db);
  await Promise.all([12, 13].map((trayCups) => changeRules(scratch.db, { ...rules, trayCups }, { at: now, by: null })));
  expect((await ruleBook(scratch.db)).map((entry) => entry.version).slice(-2)).toEqual([version + 1, version + 2]);
});
