import { Trouble } from './support/say';

type Command = (args: readonly string[]) => Promise<void>;

/** Each is loaded when it is called: one that stops a shop need not wait for one that makes the demo. */
const commands: Readonly<Record<string, () => Promise<Command>>> = {
  demo: async () => (await import('./commands/demo')).demo,
  start: async () => (await import('./commands/start')).start,
  stop: async () => (await import('./commands/stop')).stop,
  reset: async () => (await import('./commands/reset')).reset,
  backup: async () => (await import('./commands/backup')).backup,
  backups: async () => (await import('./commands/backups')).backups,
  verify: async () => (await import('./commands/verify')).verify,
  restore: async () => (await import('./commands/restore')).restore,
  person: async () => (await import('./commands/person')).person,
  rules: async () => (await import('./commands/rules')).rules,
  recount: async () => (await import('./commands/recount')).recount,
  archive: async () => (await import('./commands/archive')).archive,
  service: async () => (await import('./commands/service')).service,
  support: async () => (await import('./commands/support')).support,
  audit: async () => (await import('./commands/audit')).audit,
  shots: async () => (await import('./commands/shots')).takeShots,
  test: async () => (await import('./commands/test')).test,
  match: async () => (await import('./commands/match')).match,
  instrument: async () => (await import('./commands/instrument')).instrument,
  help: async () => (await import('./commands/help')).help,
};

async function main([name = 'help', ...args]: readonly string[]): Promise<void> {
  const command = Object.hasOwn(commands, name) ? commands[name] : undefined;
  if (!command) throw new Trouble(`There is no command “${name}”.`, `One of: ${Object.keys(commands).join(', ')}.`);
  await (
    await command()
  )(args);
}

/** What a person can do something about, of what a machine says. */
function told(error: unknown): string | undefined {
  if (error instanceof Trouble) return `${error.happened}\n${error.wayOut}`;
  const { code, path, syscall } = error as NodeJS.ErrnoException;
  if (code === 'ENOSPC')
    return 'The disk is full. What was being written was taken back.\nFree some space, then run this again.';
  if (syscall !== undefined && path !== undefined)
    return `${path} cannot be used (${code}).\nChange its rights, or name another place.`;
  return undefined;
}

main(process.argv.slice(2)).catch((error: unknown) => {
  console.error(told(error) ?? error);
  process.exitCode = 1;
});
