import fc from 'fast-check';
import { existsSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { insertPerson } from '@/data/people/peopleRepository';
import { openSession } from '@/services/people/openSession';
import { connect } from '@/data/connection';
import { migrate, runStatement } from '@/data/migrations/migrate';
import { migrations } from '@/data/migrations/migrations';
import { startDatabase, stopDatabase } from '../server/mariadb';
import { freePort } from '../server/ports';
import { createDatabase, placeOf } from '../support/databases';
import { openHome, type Home } from '../support/home';
import { hasEnded } from '../support/processes';
import { withShop } from '../support/shops';
import { ServedShop } from './servedShop';
import { Writers } from './writers';

/** What is killed, and how often of a hundred times. */
export const victims = {
  application: 25,
  worker: 15,
  database: 25,
  supervisor: 15,
  backup: 8,
  restore: 6,
  migration: 3,
  'first start': 3,
} as const;
export type Victim = keyof typeof victims;

export interface KillFigures {
  readonly kills: Readonly<Record<Victim, number>>;
  readonly acknowledged: number;
  /** Acknowledged facts that are not there, and facts that are there twice or that nobody sent. */
  readonly lost: number;
  readonly doubled: number;
  readonly invented: number;
  /** Seconds from a kill until somebody can work again: the longest. */
  readonly longestS: number;
  readonly tookS: number;
}

const writers = 4;
const personId = '5e551040-0000-4000-8000-000000000001';

/**
 * Serves a shop in a home, lets benches write, and kills processes at moments drawn by a seed.
 *
 * @param told  hears of each kill
 * @throws Error when the shop does not come up again
 */
export async function killShop(
  root: string,
  kills: number,
  seed: number,
  told: (line: string) => void,
): Promise<KillFigures> {
  const since = performance.now();
  const home = openHome(root);
  const shop = new ServedShop(home, await freePort(47_600));
  const counts = Object.fromEntries(Object.keys(victims).map((victim) => [victim, 0])) as Record<Victim, number>;
  let cookie = '';
  const signIn = async () => {
    cookie = `plucky-session=${await sessionIn(home)}`;
  };
  shop.begin();
  await shop.untilReady();
  await signIn();
  const bench = new Writers(shop.url, () => cookie, writers);
  let longest = 0;
  try {
    for (const [at, [victim, ms]] of drawKills(kills, seed).entries()) {
      await sleep(ms);
      const from = performance.now();
      await killing[victim]({ home, shop, bench, signIn, ms });
      await shop.untilReady();
      const took = (performance.now() - from) / 1000;
      if (isKilledInService(victim)) longest = Math.max(longest, took);
      counts[victim] += 1;
      told(
        `${at + 1}. ${victim} after ${ms} ms, ready again in ${took.toFixed(1)} s, ${bench.acknowledged.length} facts`,
      );
    }
    await bench.end();
    const rows = await withShop(
      home,
      'own',
      async (db) => (await db('facts').orderBy('position').pluck('id')) as string[],
    );
    const there = new Set(rows);
    return {
      kills: counts,
      acknowledged: bench.acknowledged.length,
      lost: bench.acknowledged.filter((id) => !there.has(id)).length,
      doubled: rows.length - there.size,
      invented: rows.filter((id) => !bench.sent.has(id)).length,
      longestS: longest,
      tookS: (performance.now() - since) / 1000,
    };
  } finally {
    await shop.stop();
  }
}

/** Whom to kill, in which order and after how long: each in its share, and each at least once where there are enough kills. */
function drawKills(kills: number, seed: number): readonly (readonly [Victim, number])[] {
  const names = Object.keys(victims) as Victim[];
  const deck = names.flatMap((name) =>
    Array<Victim>(Math.max(1, Math.round((victims[name] * kills) / 100))).fill(name),
  );
  while (deck.length < kills) deck.push('application');
  const moment = fc.integer({ min: 50, max: 2500 });
  const order = fc.shuffledSubarray([...deck.keys()], { minLength: deck.length, maxLength: deck.length });
  const [drawn] = fc.sample(fc.tuple(order, fc.array(moment, { minLength: kills, maxLength: kills })), {
    seed,
    numRuns: 1,
  });
  const [places = [], moments = []] = drawn ?? [];
  return moments.map((ms, at) => [deck[places[at] ?? 0] ?? 'application', ms] as const);
}

/** Those that take time of their own, or another home, say nothing of how long a bench waits. */
const isKilledInService = (victim: Victim): boolean =>
  victim === 'application' || victim === 'worker' || victim === 'database' || victim === 'supervisor';

interface Scene {
  readonly home: Home;
  readonly shop: ServedShop;
  readonly bench: Writers;
  readonly signIn: () => Promise<void>;
  readonly ms: number;
}

const killing: Readonly<Record<Victim, (scene: Scene) => Promise<void>>> = {
  application: async ({ shop }) => void (await shop.kill('workers.cjs')),
  worker: async ({ shop }) => void (await shop.kill('plucky-server', true)),
  database: async ({ shop }) => void (await shop.kill('mariadbd')),
  supervisor: async ({ shop }) => {
    await shop.killSupervisor();
    shop.begin();
  },
  // While benches write: the file is there whole, or it is not there.
  backup: async ({ home, shop, ms }) => {
    const file = join(home.root, `killed-${Date.now()}.zip`);
    const child = shop.spawn('backup', file);
    await sleep(700 + ms / 2);
    child.kill('SIGKILL');
    await hasEnded(child);
    if (existsSync(file) && (await shop.command('verify', file)).code !== 0) throw new Error(`${file} is not whole`);
    for (const name of [file, `${file}.part`]) rmSync(name, { force: true });
  },
  // Of what was there a moment before, so that nothing may be missing whichever of the two shops it is afterwards.
  restore: async ({ home, shop, bench, signIn, ms }) => {
    await bench.pause();
    const file = join(home.root, 'whole.zip');
    rmSync(file, { force: true });
    const written = await shop.command('backup', file);
    if (written.code !== 0) throw new Error(`backup: ${written.stderr}`);
    await shop.stop();
    const child = shop.spawn('restore', file, '--yes');
    await sleep(700 + ms);
    child.kill('SIGKILL');
    await hasEnded(child);
    shop.begin();
    await shop.untilReady();
    await signIn();
    bench.resume();
  },
  migration: async ({ home, ms }) => {
    const other = await anotherHome(home);
    const server = await startDatabase(other);
    await createDatabase(other, 'plucky_own');
    const db = connect(placeOf(other, 'plucky_own'));
    await migrate(db, runStatement, oldStep);
    await db.destroy();
    if (server.child) await stopDatabase(other, server.child);
    await killWhileStarting(other, ms);
  },
  'first start': async ({ home, ms }) => killWhileStarting(await anotherHome(home), ms),
};

/** A version of long ago: most steps are still to come. */
const oldStep = '030_findings_of_parts';

/** A home of its own, beside the one that is served. */
async function anotherHome(home: Home): Promise<Home> {
  const root = join(home.root, 'another');
  rmSync(root, { recursive: true, force: true });
  return openHome(root);
}

/** A shop that nobody has led so far is killed on its way up; the next start has it open, and tells the first PIN. */
async function killWhileStarting(home: Home, ms: number): Promise<void> {
  const shop = new ServedShop(home, await freePort(47_800));
  shop.begin();
  await sleep(300 + ms);
  await shop.killSupervisor();
  shop.begin();
  await shop.untilReady();
  const pin = shop.firstPin;
  const steps = await withShop(home, 'own', (db) => db('knex_migrations').pluck('name') as Promise<string[]>);
  await shop.stop();
  if (pin === undefined) throw new Error('the first PIN was not told again');
  if (steps.length !== migrations.length)
    throw new Error(`only ${steps.length} of ${migrations.length} steps were taken`);
  rmSync(home.root, { recursive: true, force: true });
}

/** Somebody of the shop, who is there whatever was restored, and a new session of theirs. */
const sessionIn = (home: Home): Promise<string> =>
  withShop(home, 'own', async (db) => {
    const isThere = await db('people').where({ id: personId }).first('id');
    if (!isThere) await insertPerson(db, { id: personId, name: 'Bench', role: 'technician', pin_hash: 'none' });
    return (await openSession(db, { id: personId, bench: 'bench-1' }, '', new Date())).token;
  });
