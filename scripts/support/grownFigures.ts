import type { Knex } from 'knex';
import { randomUUID } from 'node:crypto';
import { setTimeout as sleep } from 'node:timers/promises';
import type { Fact } from '@/core/shop/facts';
import { forecastParcel } from '@/core/intake/forecastParcel';
import { concerns } from '@/core/shop/news';
import type { ForecastGround } from '@/services/dock/readForecastGround';
import type { LiveMessage } from '@/services/line/readLine';
import { gatherMs } from '@/ui/live/refresher';
import { makeUnit, note, post, type Door } from './benchFigures';
import { spreadOf, type Spread } from './spread';

/** What one screen costs: milliseconds to its last byte, bytes and statements of the database. */
export interface ScreenFigure extends Spread {
  readonly path: string;
  readonly kB: number;
  readonly queries: number;
}

const rounds = 25;
const warmUp = 3;
/** A screen that takes so long is not asked again and again. */
const longestMs = 20_000;

/** Asks for every screen many times, one after the other, with nobody else at work. */
export async function screenFigures(db: Knex, door: Door, paths: readonly string[]): Promise<readonly ScreenFigure[]> {
  const figures: ScreenFigure[] = [];
  for (const path of paths) {
    const times: number[] = [];
    let bytes = 0;
    let queries = 0;
    const began = performance.now();
    for (let round = 0; round < rounds + warmUp && performance.now() - began < longestMs; round += 1) {
      const before = round === warmUp ? await questions(db) : 0;
      const since = performance.now();
      const response = await fetch(`${door.url}${path}`, { headers: { cookie: door.cookie } });
      bytes = (await response.arrayBuffer()).byteLength;
      const ms = performance.now() - since;
      if (!response.ok) throw new Error(`bench: ${path} answers ${response.status}`);
      if (round >= warmUp || ms > longestMs / 4) times.push(ms);
      // What is counted asks once itself.
      if (round === warmUp) queries = (await questions(db)) - before - 1;
    }
    figures.push({ path, ...spreadOf(times), kB: bytes / 1000, queries });
  }
  return figures;
}

async function questions(db: Knex): Promise<number> {
  const [rows] = (await db.raw(`show global status like 'Questions'`)) as [{ Value: string }[]];
  return Number(rows[0]?.Value);
}

/** How facts are taken in while so many benches send one after the other, and so many screens listen. */
export interface FactFigure extends Spread {
  readonly writers: number;
  readonly followers: number;
  readonly perSecond: number;
}

const loadMs = 8000;

/**
 * Sends facts from several benches at once for some seconds, each about a unit of its own and each after the answer to the one
 * before. Followers hold the live stream open and read their screen again when news of it comes, no sooner than they are told
 * to, as browsers do.
 *
 * @param screens  what the followers look at, in turn; the notes of the writers concern Today and Triage
 */
export async function factFigure(
  door: Door,
  {
    writers,
    followers,
    screens,
  }: { readonly writers: number; readonly followers: number; readonly screens: readonly string[] },
): Promise<FactFigure> {
  const away = new AbortController();
  const listening = Array.from({ length: followers }, (_, at) =>
    follow(door, screens[at % screens.length] as string, away.signal),
  );
  const units = await Promise.all(Array.from({ length: writers }, () => makeUnit(door)));
  const times: number[] = [];
  const end = performance.now() + loadMs;
  await Promise.all(
    units.map(async (unitId) => {
      for (let version = 1; performance.now() < end; version += 1) {
        const since = performance.now();
        const taken = await post(door, [note(unitId, version)]);
        if (taken !== 1) throw new Error('bench: a fact was refused');
        times.push(performance.now() - since);
      }
    }),
  );
  away.abort();
  await Promise.all(listening);
  return { writers, followers, perSecond: times.length / (loadMs / 1000), ...spreadOf(times) };
}

/** A browser's stream: news that concerns its screen is owed until the screen was read again. */
async function follow({ url, cookie }: Door, screen: string, away: AbortSignal): Promise<void> {
  const headers = { cookie, rsc: '1', 'plucky-follows': '1' };
  try {
    const stream = await fetch(`${url}/api/live`, { headers: { cookie }, signal: away });
    const reader = stream.body?.pipeThrough(new TextDecoderStream()).getReader();
    let kept = '';
    let last = Number.NEGATIVE_INFINITY;
    let planned: Promise<void> | undefined;
    for (let got = await reader?.read(); got && !got.done; got = await reader?.read()) {
      const events = (kept + got.value).split('\n\n');
      kept = events.pop() as string;
      for (const event of events) {
        const told = /^data: (.*)$/m.exec(event)?.[1];
        if (told === undefined) continue;
        const { news, gapMs } = JSON.parse(told) as LiveMessage;
        if (planned !== undefined || !concerns(screen, news)) continue;
        planned = sleep(Math.max(gatherMs, last + gapMs - performance.now()), undefined, { signal: away })
          .then(async () => {
            last = performance.now();
            planned = undefined;
            const answer = await fetch(`${url}${screen}`, { headers, signal: away });
            await answer.arrayBuffer();
          })
          .catch((error: unknown) => {
            if (!away.aborted) throw error;
          });
      }
    }
  } catch (error) {
    if (!away.aborted) throw error;
  }
}

const manifestLines = 10_000;

/** Seconds in which a list of ten thousand lines is looked at, taken in, and what a parcel of it should give is worked out from. */
export interface ListFigure {
  readonly previewS: number;
  readonly importS: number;
  readonly forecastS: number;
}

export async function importFigure(door: Door): Promise<ListFigure> {
  const parcelId = randomUUID();
  const at = new Date().toISOString();
  const about = { supplier: 'Load', pricePaidCents: 1, transportCents: 0, receivedOn: at.slice(0, 10) };
  const payload = { code: `Large ${parcelId.slice(0, 8)}`, ...about };
  await post(door, [
    { id: randomUUID(), type: 'parcel-made', subjectId: parcelId, expects: null, at, payload } as Fact,
  ]);
  const rows = Array.from(
    { length: manifestLines },
    (_, at2) => `${at2 + 1},Oddkin,Lantern 5,L${parcelId.slice(0, 4)}${at2}`,
  );
  const file = new File([['line,maker,model,serial', ...rows].join('\n')], 'large.csv', { type: 'text/csv' });
  const ask = async (path: string) => {
    const form = new FormData();
    form.set('file', file);
    form.set('parcelId', parcelId);
    form.set('factId', randomUUID());
    form.set('expects', '1');
    const since = performance.now();
    const response = await fetch(`${door.url}/api/manifest/${path}`, {
      method: 'POST',
      headers: { cookie: door.cookie, 'sec-fetch-site': 'same-origin' },
      body: form,
    });
    if (!response.ok) throw new Error(`bench: ${path} of a list answers ${response.status} ${await response.text()}`);
    await response.arrayBuffer();
    return (performance.now() - since) / 1000;
  };
  const [previewS, importS] = [await ask('preview'), await ask('import')];
  const since = performance.now();
  const response = await fetch(`${door.url}/api/parcels/${parcelId}/forecast`, { headers: { cookie: door.cookie } });
  const ground = (await response.json()) as ForecastGround | null;
  if (!ground) throw new Error('bench: a parcel of a long list has nothing to be forecast from');
  const models = new Map(ground.models.map((model) => [`${model.id}@${model.version}`, model]));
  forecastParcel(ground.items, models, ground.shop, ground.rules, ground.seen);
  return { previewS, importS, forecastS: (performance.now() - since) / 1000 };
}
