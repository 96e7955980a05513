import { createInterface } from 'node:readline/promises';

/** Asks before something that cannot be taken back; `--yes` answers for scripts. */
export async function isConfirmed(question: string, args: readonly string[]): Promise<boolean> {
  if (args.includes('--yes')) return true;
  if (!process.stdin.isTTY) return false;
  const terminal = createInterface({ input: process.stdin, output: process.stdout });
  try {
    return (await terminal.question(`${question} Type yes to go on: `)).trim() === 'yes';
  } finally {
    terminal.close();
  }
}
