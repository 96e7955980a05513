import type { Knex } from 'knex';
import { randomUUID } from 'node:crypto';
import type { Part } from '@/core/entities/entities';
import { partCategories } from '@/core/procedure/vocabulary';
import { Chance } from '@/core/shared/chance';
import { saleGrades } from '@/core/shared/grades';
import { formatTag } from '@/core/shared/tags';
import { plainQuery, shelfSorts, type ShelfQuery } from '@/core/shelf/shelfQuery';
import { newestModels } from '@/data/models/modelRepository';
import { saveBenchWait } from '@/data/instruments/benchWaits';
import { partsAt } from '@/data/parts/partRepository';
import { fromPart } from '@/data/parts/partRows';
import { readShelfRows } from '@/services/shelf/readShelfRows';
import { takeReadings } from '@/services/instruments/takeReadings';
import { spreadOf } from './spread';

const parts = 100_000;
const together = 1000;
const firstTag = 500_000;
const looks = 400;
const mostWrong = 0;

/** A hundred thousand more parts of all models on the shelf. */
async function fill(db: Knex, chance: Chance): Promise<void> {
  const kinds = (await newestModels(db)).flatMap((model) => model.parts.map((part) => ({ model, part })));
  const [like] = await partsAt(db, ['shelf']);
  for (let from = 0; from < parts; from += together) {
    const rows = Array.from({ length: together }, (_, at) => {
      const { model, part } = chance.pick(kinds);
      const made: Part = {
        ...(like as Part),
        id: randomUUID(),
        tag: formatTag('P', firstTag + from + at),
        ...{ partRef: part.id, modelId: model.id, category: part.category, interchange: part.interchange },
        grade: chance.pick(saleGrades),
        bin: `${chance.pick([...'ABCDEFGH'])}${String(Math.ceil(chance.between(0.01, 99))).padStart(2, '0')}`,
        storedAt: new Date(Date.UTC(2026, 0, 1) + Math.floor(chance.between(0, 300)) * 86_400_000).toISOString(),
      };
      return fromPart(made);
    });
    await db('parts').insert(rows);
  }
  await db.raw('analyze table parts');
}

/** A view that somebody may look at: an order, a filter or two, words, and any page of it. */
function anyView(chance: Chance, models: readonly string[]): ShelfQuery {
  const maybe = <T>(all: readonly T[]) => (chance.happens(0.3) ? chance.pick(all) : null);
  return {
    ...plainQuery,
    sort: chance.pick(shelfSorts),
    isDown: chance.happens(0.5),
    category: maybe(partCategories),
    grade: maybe(saleGrades),
    fits: maybe(models),
    bin: chance.happens(0.1) ? chance.pick(['A', 'B07', 'H12']) : null,
    words: chance.happens(0.3) ? chance.pick(['battery', 'lantern b', 'quay', 'display c05', 'zzz']) : '',
  };
}

/** Views of a shelf with a hundred thousand parts, and how many readings of instruments are taken a second without loss. */
export async function shelfFigures(db: Knex): Promise<readonly string[]> {
  const chance = new Chance(18);
  await fill(db, chance);
  const models = (await newestModels(db)).map(({ id }) => id);
  const times: number[] = [];
  const now = new Date();
  await readShelfRows(db, plainQuery, 0, now);
  for (let look = 0; look < looks; look += 1) {
    const view = anyView(chance, models);
    const since = performance.now();
    const { total } = await readShelfRows(db, view, 0, now);
    times.push(performance.now() - since);
    if (total <= 100) continue;
    const from = Math.floor(chance.between(0, total / 100)) * 100;
    const then = performance.now();
    await readShelfRows(db, view, from, now, total);
    times.push(performance.now() - then);
  }
  const { median, p95 } = spreadOf(times);
  return [
    `The shelf with ${parts} parts: ${times.length} views and pages, each order, filter and search, median ${median.toFixed(0)} ms, p95 ${p95.toFixed(0)} ms.`,
    await readingsFigure(db),
  ];
}

async function readingsFigure(db: Knex): Promise<string> {
  const bench = 'bench-1';
  const seconds = 5;
  await saveBenchWait(db, bench, { part: null, wants: ['torque'] }, new Date());
  const end = performance.now() + seconds * 1000;
  let [sent, taken] = [0, 0];
  while (performance.now() < end) {
    const at = new Date().toISOString();
    const messages = Array.from({ length: 50 }, () => ({
      ...{ id: randomUUID(), instrument: 'torque-driver', at, value: 5, unit: 'Ncm' },
    })) as Parameters<typeof takeReadings>[2];
    sent += messages.length;
    taken += (await takeReadings(db, bench, messages, new Date())).filter(({ ok }) => ok).length;
  }
  const row = (await db('instrument_readings').where({ bench }).count({ n: '*' }).first()) as { n: number };
  const lost = sent - taken + (taken - Number(row.n));
  if (lost > mostWrong) throw new Error(`readings: ${lost} of ${sent} were lost`);
  return `Readings of one instrument, fifty in a line: ${Math.round(taken / seconds)} a second, none lost (an instrument may say 200 a second).`;
}
