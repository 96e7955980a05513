import { randomUUID } from 'node:crypto';
import { wordedFact } from '@/core/shop/makeFact';
import type { FactType } from '@/core/shop/facts';
import { recordFact } from '@/services/facts/recordFact';
import { bestReadings } from '../../../tests/support/bestReadings';
import { demoDay, demoScratch, somebody, type Scratch } from '../../../tests/support/scratch';
import { gradeRank, type Grade } from '@/core/shared/grades';
import { gaugesOver } from '@/data/parts/gaugesOver';
import { currentRules } from '@/data/rules/houseRulesRepository';
import { compareWithLog } from '@/services/facts/compareWithLog';
import { readRulesPreview } from '@/services/rules/readRulesPreview';
import { readGrade } from './readGrade';

let scratch: Scratch;
const now = demoDay;
beforeAll(async () => {
  scratch = await demoScratch(demoDay);
}, 120_000);
afterAll(() => scratch.drop());

interface Cell {
  readonly gaugeShare?: number;
  readonly analyserShare?: number;
}
interface Row {
  readonly tag: string;
  readonly model_id: string;
  readonly part_ref: string;
  readonly grade: Grade;
  readonly readings: Readonly<Record<string, number | string>>;
  readonly cell: Cell | null;
}
const rows = async (where: object) =>
  (await scratch.db('parts').where(where).select('tag', 'model_id', 'part_ref', 'grade', 'readings', 'cell')) as Row[];

test('moving one threshold regrades the stock tag by tag, as plain arithmetic does', async () => {
  const { version: _, ...rules } = await currentRules(scratch.db);
  const moved = { ...rules.gradingLimits.cycles, B: 200, C: 300 };
  const { shelf } = await readRulesPreview(
    scratch.db,
    { ...rules, gradingLimits: { ...rules.gradingLimits, cycles: moved } },
    now,
  );
  // By hand: a battery is as bad as before, or as bad as its cycles are now, whichever is worse.
  const byCycles = (cycles: number): Grade =>
    cycles <= 150 ? 'A' : cycles <= 200 ? 'B' : cycles <= 300 ? 'C' : cycles <= 1000 ? 'D' : 'X';
  const stocked = await rows({ place: 'shelf', category: 'battery' });
  const falls = stocked.flatMap(({ tag, grade, readings }) => {
    const by = byCycles(Number(readings.cycles));
    return gradeRank(by) > gradeRank(grade) ? [{ tag, from: grade, to: by }] : [];
  });
  expect(falls.length).toBeGreaterThan(1);
  const said = shelf.turns.map(({ tag, from, to }) => ({ tag, from, to }));
  const byTag = (a: { readonly tag: string }, b: { readonly tag: string }) => a.tag.localeCompare(b.tag);
  expect([...said].sort(byTag)).toEqual([...falls].sort(byTag));
  expect(shelf.cents).toBeLessThan(0);
});

test('a gauge’s record is how far it read over the analyser on every cell of the model that had both', async () => {
  const batteries = await rows({ category: 'battery' });
  const models = [...new Set(batteries.map(({ model_id }) => model_id))];
  const gauges = await gaugesOver(scratch.db, models);
  const sorted = (values: readonly number[]) => values.toSorted((a, b) => a - b);
  let compared = 0;
  for (const model of models) {
    const over = batteries.flatMap(({ model_id, cell }) =>
      model_id === model && cell?.gaugeShare !== undefined && cell.analyserShare !== undefined
        ? [cell.gaugeShare - cell.analyserShare]
        : [],
    );
    compared += over.length;
    expect(sorted(gauges[model] ?? [])).toEqual(sorted(over));
  }
  expect(compared).toBeGreaterThan(5);
  // The screen asks for those of the batteries that wait.
  const { gauges: shown, parts } = await readGrade(scratch.db, now, '');
  const waiting = parts.filter(({ category }) => category === 'battery').map(({ modelId }) => modelId);
  expect(waiting.length).toBeGreaterThan(0);
  expect(Object.keys(shown)).toEqual([...new Set(waiting)]);
});

test('what is kept of readings, spreads and cells is what the log replays to', async () => {
  expect((await compareWithLog(scratch.db)).differences).toEqual([]);
});

test('the server holds a label against the model the cell came out of, whatever the page let through', async () => {
  const row = (await scratch
    .db('parts as p')
    .join('units as u', 'u.id', 'p.unit_id')
    .where({ 'p.place': 'grade', 'p.category': 'battery' })
    .whereNotNull('u.model_version')
    .first('p.id', 'p.version', 'p.category')) as {
    readonly id: string;
    readonly version: number;
    readonly category: 'battery';
  };
  const label = { type: 'NOT THIS ONE', ratedAmpHours: 1, ratedVolt: 3.7, limitVolt: 4.2 };
  const fact = wordedFact<FactType>(
    { type: 'part-graded', subjectId: row.id, payload: { readings: bestReadings(row), cell: { label } } },
    { id: randomUUID(), expects: row.version, at: now.toISOString() },
  );
  const imke = await somebody(scratch.db, 'Label reader');
  expect(await recordFact(scratch.db, imke, fact, now)).toMatchObject({
    refusal: { reason: expect.stringMatching(/^label-/) as string },
  });
  expect(await scratch.db('parts').where({ id: row.id }).first('place', 'version')).toMatchObject({
    place: 'grade',
    version: row.version,
  });
});
