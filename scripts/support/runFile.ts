import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import type { Home } from './home';
import { isAlive } from './processes';

/** What is running, for `stop` and for a second start. */
export interface RunningNow {
  readonly pid: number;
  readonly url: string;
  readonly shop: string;
}

export function readRunning(home: Home): RunningNow | undefined {
  if (!existsSync(home.runFile)) return undefined;
  const running = JSON.parse(readFileSync(home.runFile, 'utf8')) as RunningNow;
  return isAlive(running.pid) ? running : undefined;
}

export const writeRunning = (home: Home, running: RunningNow): void =>
  writeFileSync(home.runFile, JSON.stringify(running));

export const clearRunning = (home: Home): void => rmSync(home.runFile, { force: true });
