import { backup } from './commands/backup';
import { demo } from './commands/demo';
import { help } from './commands/help';
import { person } from './commands/person';
import { reset } from './commands/reset';
import { restore } from './commands/restore';
import { recount } from './commands/recount';
import { takeShots } from './commands/shots';
import { rules } from './commands/rules';
import { start } from './commands/start';
import { stop } from './commands/stop';
import { test } from './commands/test';
import { Trouble } from './support/say';

const commands: Readonly<Record<string, (args: readonly string[]) => Promise<void>>> = {
  demo,
  start,
  stop,
  reset,
  backup,
  restore,
  person,
  rules,
  recount,
  shots: takeShots,
  test,
  help,
};

async function main([name = 'help', ...args]: readonly string[]): Promise<void> {
  const command = commands[name];
  if (!command) throw new Trouble(`There is no command “${name}”.`, `One of: ${Object.keys(commands).join(', ')}.`);
  await command(args);
}

main(process.argv.slice(2)).catch((error: unknown) => {
  console.error(error instanceof Trouble ? `${error.happened}\n${error.wayOut}` : error);
  process.exitCode = 1;
});
