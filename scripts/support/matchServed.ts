import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import type { Knex } from 'knex';
import type { Part } from '@/core/entities/entities';
import { Chance } from '@/core/shared/chance';
import { formatTag } from '@/core/shared/tags';
import { saleGrades } from '@/core/shared/grades';
import { wordedFact } from '@/core/shop/makeFact';
import { listMembers } from '@/data/people/peopleRepository';
import { recount } from '@/data/tallies/catchUp';
import { recordFact } from '@/services/facts/recordFact';
import { newestModels } from '@/data/models/modelRepository';
import { partsAt } from '@/data/parts/partRepository';
import { fromPart } from '@/data/parts/partRows';
import { findModel } from '@/data/models/modelRepository';
import { fromUnit } from '@/data/units/unitRows';
import { unitsAt } from '@/data/units/unitRepository';
import type { Model } from '@/core/procedure/model';
import { startApplication } from '../server/application';
import { openBrowser, signedInPage } from './browser';
import { demoCopy } from './demoCopy';
import { dropDatabase, withDatabase } from './databases';
import type { Home } from './home';
import { inventStock } from './inventStock';
import { endChild } from './processes';
import { spreadOf } from './spread';

const name = 'plucky_bench_match';
const units = 300;
const parts = 3000;
const together = 500;
const firstTag = 600_000;
const looks = 60;

/** Units that wait at Triage, most of them unlike every other, and parts on the shelf. */
async function fill(db: Knex, chance: Chance): Promise<void> {
  const outlines = await newestModels(db);
  const models = (await Promise.all(outlines.map(({ id, version }) => findModel(db, id, version)))).filter(
    (model): model is Model => model !== undefined,
  );
  const [like] = await unitsAt(db, ['triage']);
  const made = inventStock(chance, models, units, 0).units.map((unit, at) => ({
    ...unit,
    ...{
      id: randomUUID(),
      tag: formatTag('U', firstTag + at),
      parcelId: like?.parcelId ?? '',
      stage: 'triage' as const,
    },
    lastFactId: like?.lastFactId ?? '',
  }));
  await db('units').insert(made.map(fromUnit));
  const kinds = models.flatMap((model) => model.parts.map((part) => ({ model, part })));
  const [shelf] = await partsAt(db, ['shelf']);
  for (let from = 0; from < parts; from += together)
    await db('parts').insert(
      Array.from({ length: together }, (_, at) => {
        const { model, part } = chance.pick(kinds);
        return fromPart({
          ...(shelf as Part),
          ...{ id: randomUUID(), tag: formatTag('P', firstTag + from + at), partRef: part.id, modelId: model.id },
          ...{ category: part.category, interchange: part.interchange, grade: chance.pick(saleGrades) },
        });
      }),
    );
  // Counted at once, as if they had come the usual way.
  while (!(await recount(db, new Date())));
}

/**
 * The plan of a served shop of three hundred units with three thousand parts: from the question to the answer, the first time and after
 * one thing changed; how long other pages take meanwhile; and the memory of the server.
 */
export async function matchServed(home: Home): Promise<readonly string[]> {
  await dropDatabase(home, name);
  await demoCopy(home, name);
  await withDatabase(home, name, (db) => fill(db, new Chance(19)));
  const application = await startApplication(home, name);
  const { browser, close } = await openBrowser();
  try {
    const page = await signedInPage(browser, application.url, 'Sunniva T.', '1357');
    const cookie = (await page.cookies()).map((own) => `${own.name}=${own.value}`).join('; ');
    const headers = { cookie, 'content-type': 'application/json', origin: application.url };
    const ask = async (wishes: readonly object[]) => {
      const since = performance.now();
      const body = { days: 7, hours: null, certifiedHours: null, isAnew: false, wishes, slotWishes: [] };
      const answer = await fetch(`${application.url}/api/match-plan`, {
        method: 'POST',
        headers,
        body: JSON.stringify(body),
      });
      const last = (await answer.text()).trim().split('\n').at(-1) ?? '{}';
      const { plan } = JSON.parse(last) as {
        plan?: { seconds: number; isProven: boolean; rows: readonly { readonly tag: string }[] };
      };
      if (!plan) throw new Error(last.slice(0, 300));
      return { ...plan, ms: performance.now() - since };
    };
    const look = async () => {
      const since = performance.now();
      await (await fetch(`${application.url}/shelf`, { headers })).text();
      return performance.now() - since;
    };
    const looked = async (count: number) => {
      const times: number[] = [];
      for (let at = 0; at < count; at += 1) times.push(await look());
      return spreadOf(times.slice(5));
    };
    const quiet = await looked(looks);
    const during: number[] = [];
    let isOver = false;
    const watching = (async () => {
      while (!isOver) during.push(await look());
    })();
    const first = await ask([]);
    const tag = first.rows[0]?.tag ?? '';
    const wished = await ask([{ tag, fate: 'hold', is: 'pinned' }]);
    await withDatabase(home, name, reserveOne);
    const changed = await ask([]);
    isOver = true;
    await watching;
    const busy = spreadOf(during);
    return [
      `Served, ${units} units at Triage and ${parts} parts: ${first.rows.length} rows, ${first.isProven ? 'proven' : 'not proven'};`,
      `first plan ${(first.ms / 1000).toFixed(1)} s (solved in ${first.seconds.toFixed(2)} s), after one wish ${(wished.ms / 1000).toFixed(1)} s (${wished.seconds.toFixed(2)} s), after one part was kept back ${(changed.ms / 1000).toFixed(1)} s (${changed.seconds.toFixed(2)} s).`,
      `The shelf meanwhile: median ${busy.median.toFixed(0)} ms, p95 ${busy.p95.toFixed(0)} ms (${during.length} looks); quiet ${quiet.median.toFixed(0)} and ${quiet.p95.toFixed(0)} ms.`,
      `Memory of the server at its highest: ${peakMb(application.child.pid ?? 0)} MB.`,
    ];
  } finally {
    await close();
    await endChild(application.child);
    await dropDatabase(home, name);
  }
}

/** One part is kept for somebody: the shelf has one less of its class. */
async function reserveOne(db: Knex): Promise<void> {
  const person = (await listMembers(db)).find(({ role }) => role === 'lead');
  const part = (await partsAt(db, ['shelf'])).at(-1);
  if (!person || !part) throw new Error('nobody, or no part');
  const fact = wordedFact<'part-reserved'>(
    { type: 'part-reserved', subjectId: part.id, payload: { for: 'Fern & Bell' } },
    { id: randomUUID(), expects: part.version, at: new Date().toISOString() },
  );
  const outcome = await recordFact(db, { ...person, bench: 'bench-1' }, fact, new Date());
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.refusal));
}

/** The most that a process and its children have held. */
function peakMb(pid: number): number {
  const status = readFileSync(`/proc/${pid}/status`, 'utf8');
  const own = Number(/VmHWM:\s+(\d+)/.exec(status)?.[1] ?? 0) / 1024;
  const children = readFileSync(`/proc/${pid}/task/${pid}/children`, 'utf8').trim().split(' ').filter(Boolean);
  return Math.round(own + children.reduce((sum, child) => sum + peakMb(Number(child)), 0));
}
