import { answers, stopDatabase } from '../server/mariadb';
import { takeHome } from '../supervisor/takeHome';
import { openHome } from '../support/home';
import { say, Trouble } from '../support/say';

/** A shop is down within seconds; one that only starts is told as soon as its step is done. */
const patienceMs = 120_000;

/** Stops what runs from this folder, by asking it: no process is ended by a number that a file holds. Safe when nothing runs. */
export async function stop(): Promise<void> {
  const home = openHome();
  let wasRunning = false;
  const release = await takeHome(
    home,
    ({ command, state, pid }, waitedMs) => {
      if (state === 'working')
        throw new Trouble(`“./plucky ${command}” is at work here.`, 'It ends by itself when it is done.');
      if (waitedMs > patienceMs)
        throw new Trouble(
          `It does not end (${state}, process ${pid}).`,
          'Run this again in a minute, or end that process by hand.',
        );
      wasRunning = true;
      return undefined;
    },
    'stop',
  );
  if (typeof release !== 'function') return;
  // A server that somebody else left on our socket.
  const isLeft = await answers(home);
  if (isLeft) await stopDatabase(home);
  await release();
  say(wasRunning || isLeft ? 'Stopped.' : 'Nothing was running.');
}
