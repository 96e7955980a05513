import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { killShop } from './reliability/killShop';
import { say } from './support/say';

/** `npm run reliability [KILLS] [SEED]`: serves a shop in a temporary home and kills what serves it. */
async function main([kills = '200', seed = '20261128']: readonly string[]): Promise<void> {
  const root = mkdtempSync(join(tmpdir(), 'plucky-kill-'));
  try {
    const figures = await killShop(root, Number(kills), Number(seed), say);
    say(
      [
        '',
        `Killed, by seed ${seed}: ${Object.entries(figures.kills)
          .map(([victim, n]) => `${victim} ${n}`)
          .join(', ')}.`,
        `Facts acknowledged: ${figures.acknowledged}. Lost: ${figures.lost}. Twice: ${figures.doubled}. That nobody sent: ${figures.invented}.`,
        `Ready again after ${figures.longestS.toFixed(1)} s at the longest. All of it took ${(figures.tookS / 60).toFixed(1)} min.`,
      ].join('\n'),
    );
    process.exitCode = figures.lost + figures.doubled + figures.invented === 0 ? 0 : 1;
  } finally {
    rmSync(root, { recursive: true, force: true });
  }
}

void main(process.argv.slice(2));
