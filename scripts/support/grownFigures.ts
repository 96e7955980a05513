import type { Knex } from 'knex';
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
export async function screenFigures(
  db: Knex,
  door: { readonly url: string; readonly cookie: string },
  paths: readonly string[],
): Promise<readonly ScreenFigure[]> {
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
