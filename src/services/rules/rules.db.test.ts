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
import { readRulesPreview } from './readRulesPreview';
import { readRulesView } from './readRulesView';

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

const identify = (unitId: string) =>
  act('unit-identified', unitId, {
    modelId: handset.id,
    modelVersion: handset.version,
    revision: handset.revisions[0]?.id ?? '',
    configuration: handset.configurations[0]?.id ?? '',
    variant: handset.variants[0]?.id ?? '',
    serial: unitId,
  });

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
  await identify(unitId);
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

test('who saw an older version is told so, and nothing of theirs is saved', async () => {
  const { version, ...rules } = await readRules(scratch.db);
  const stale = await changeRules(
    scratch.db,
    { ...rules, trayCups: 99 },
    { at: now, by: imke.id, expects: version - 1 },
  );
  expect(stale).toMatchObject({ refusal: { reason: 'rules-stale', values: { version } } });
  expect(await readRules(scratch.db)).toEqual({ version, ...rules });
  const seen = await changeRules(scratch.db, { ...rules, trayCups: 30 }, { at: now, by: imke.id, expects: version });
  expect(seen).toMatchObject({ value: { version: version + 1, trayCups: 30 } });
});

test('the history names every version and who made it, newest first', async () => {
  const { history } = await readRulesView(scratch.db);
  const book = await ruleBook(scratch.db);
  expect(history.map(({ rules }) => rules)).toEqual([...book].reverse());
  expect(history[0]).toMatchObject({ by: 'Imke R.', at: now.toISOString() });
  expect(history.at(-1)?.by).toBeNull();
});

test('a look at other rules saves nothing', async () => {
  const before = await readRulesView(scratch.db);
  const [unitId, parcelId] = [randomUUID(), randomUUID()];
  const about = { supplier: 'Ferry', pricePaidCents: 1, transportCents: 0, receivedOn: '2026-11-26' };
  await act('parcel-made', parcelId, { code: `Lot ${parcelId.slice(0, 8)}`, ...about });
  await act('unit-tagged', unitId, { parcelId, lineNo: null });
  const { version: _, ...rules } = await readRules(scratch.db);
  const look = () => readRulesPreview(scratch.db, { ...rules, labourCentsPerMinute: 9000 }, now);
  // What nobody has identified is valued by no rules.
  expect((await look()).units).toBe(0);
  await identify(unitId);
  const { units, fromCents, toCents } = await look();
  expect(units).toBe(1);
  expect(toCents).toBeLessThan(fromCents);
  expect(await readRulesView(scratch.db)).toEqual(before);
});
