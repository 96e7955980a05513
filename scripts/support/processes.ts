import { spawn, type ChildProcess, type SpawnOptions } from 'node:child_process';

export interface Ran {
  readonly code: number;
  readonly stdout: string;
  readonly stderr: string;
}

/** Runs a program to its end and keeps what it printed. */
export async function run(command: string, args: readonly string[], options: SpawnOptions = {}): Promise<Ran> {
  const child = spawn(command, [...args], { stdio: ['ignore', 'pipe', 'pipe'], ...options });
  let stdout = '';
  let stderr = '';
  child.stdout?.on('data', (chunk) => (stdout += chunk));
  child.stderr?.on('data', (chunk) => (stderr += chunk));
  const code = await new Promise<number>((settle) => {
    child.on('error', (error) => {
      stderr += error.message;
      settle(127);
    });
    child.on('close', (status) => settle(status ?? 1));
  });
  return { code, stdout, stderr };
}

/** Runs a program with its output shown as it comes. */
export async function show(command: string, args: readonly string[], options: SpawnOptions = {}): Promise<number> {
  const child = spawn(command, [...args], { stdio: 'inherit', ...options });
  return await new Promise((settle) => {
    child.on('error', () => settle(127));
    child.on('close', (status) => settle(status ?? 1));
  });
}

/** Settles when a child is gone, also when it never came to be. */
export const hasEnded = (child: ChildProcess): Promise<void> =>
  child.exitCode !== null || child.signalCode !== null
    ? Promise.resolve()
    : new Promise((done) => {
        child.once('exit', () => done());
        child.once('error', () => done());
      });

/** Asks a child to end, and insists after a while. */
export async function endChild(child: ChildProcess, patienceMs = 5000): Promise<void> {
  if (child.exitCode !== null || child.signalCode !== null) return;
  child.kill('SIGTERM');
  const timer = setTimeout(() => child.kill('SIGKILL'), patienceMs);
  await hasEnded(child);
  clearTimeout(timer);
}

export const lastLine = (text: string): string => text.trim().split('\n').at(-1) ?? '';
