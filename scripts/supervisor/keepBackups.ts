import { setTimeout as sleep } from 'node:timers/promises';
import { readChoice } from '@/files/backup/backupChoice';
import { listBackups } from '@/files/backup/backupFolder';
import { projectRoot, type Home } from '../support/home';
import { run } from '../support/processes';
import { say } from '../support/say';

const dayMs = 24 * 3_600_000;
const lookMs = 5 * 60_000;
/** Benches come first: a shop that opens is not backed up in its first minutes. */
const firstMs = 2 * 60_000;

/** Backs a shop up once a day while it is served, in a process of its own that gives way to the others. */
export async function keepBackups(
  home: Home,
  leave: AbortSignal,
  { first, look, age } = { first: firstMs, look: lookMs, age: dayMs },
): Promise<void> {
  for (let pause = first; !leave.aborted; pause = look) {
    await sleep(pause, undefined, { signal: leave, ref: false }).catch(() => undefined);
    if (leave.aborted) return;
    if (isFresh(home, age)) continue;
    const ran = await run(
      'setpriv',
      ['--pdeathsig', 'TERM', 'nice', process.execPath, '--import', 'tsx', 'scripts/plucky.ts', 'backup'],
      { cwd: projectRoot, env: { ...process.env, PLUCKY_HOME: home.root }, signal: leave },
    );
    if (ran.code !== 0 && !leave.aborted)
      say(`${new Date().toISOString()} The daily backup came to nothing: ${ran.stderr.trim().replaceAll('\n', ' ')}`);
  }
}

function isFresh(home: Home, age: number): boolean {
  try {
    const [last] = listBackups(readChoice(home.root).folder);
    return last !== undefined && Date.now() - Date.parse(last.at) < age;
  } catch {
    // The backup itself says what is wrong with the choice.
    return false;
  }
}
