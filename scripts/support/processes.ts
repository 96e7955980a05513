import { spawn, type ChildProcess, type SpawnOptions } from 'node:child_process';
import { once } from 'node:events';

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

export const isAlive = (pid: number): boolean => {
  try {
    process.kill(pid, 0);
    return true;
  } catch {
    return false;
  }
};

/** Asks a child to end, and insists after a while. */
export async function endChild(child: ChildProcess, patienceMs = 5000): Promise<void> {
  if (child.exitCode !== null || child.signalCode !== null) return;
  const ended = once(child, 'exit');
  child.kill('SIGTERM');
  const timer = setTimeout(() => child.kill('SIGKILL'), patienceMs);
  await ended;
  clearTimeout(timer);
}
