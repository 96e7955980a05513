import { setTimeout as sleep } from 'node:timers/promises';
import { openHome } from '../support/home';
import { answers, stopDatabase } from '../support/mariadb';
import { isAlive } from '../support/processes';
import { clearRunning, readRunning } from '../support/runFile';
import { say, Trouble } from '../support/say';

/** Stops what runs from this folder. Safe when nothing does. */
export async function stop(): Promise<void> {
  const home = openHome();
  const running = readRunning(home);
  if (running) {
    process.kill(running.pid, 'SIGTERM');
    for (let waited = 0; waited < 30_000 && isAlive(running.pid); waited += 200) await sleep(200);
    if (isAlive(running.pid))
      throw new Trouble(
        `Process ${running.pid} does not end.`,
        `End it by hand: kill -9 ${running.pid}, then run this again.`,
      );
  }
  if (await answers(home)) await stopDatabase(home);
  clearRunning(home);
  say(running ? 'Stopped.' : 'Nothing was running.');
}
