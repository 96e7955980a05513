import { existsSync, rmSync, writeFileSync } from 'node:fs';
import { run } from './processes';
import { say, Trouble } from './say';

const programs = { 'mariadb-server': 'mariadbd', 'chromium-headless-shell': 'chromium-headless-shell' } as const;
const policyFile = '/usr/sbin/policy-rc.d';

const has = async (program: string): Promise<boolean> => (await run('sh', ['-c', `command -v ${program}`])).code === 0;

/** Installs a Debian package when its program is missing. Debian's own service of it is kept from starting. */
export async function needPackage(name: keyof typeof programs): Promise<void> {
  process.env.PATH = `${process.env.PATH}:/usr/sbin:/usr/local/sbin`;
  if (await has(programs[name])) return;
  const byHand = `Install it by hand: apt-get install ${name}`;
  if (!(await has('apt-get')))
    throw new Trouble(
      `${programs[name]} is missing and this is no Debian.`,
      `Install ${name} with your own package manager.`,
    );
  const isRoot = process.getuid?.() === 0;
  if (!isRoot && !(await has('sudo'))) throw new Trouble(`${name} is missing, and you are not root.`, byHand);
  say(`Installing Debian’s ${name} (a minute or two) …`);
  const sudo = isRoot ? [] : ['sudo'];
  const madePolicy = isRoot && !existsSync(policyFile);
  if (madePolicy) writeFileSync(policyFile, '#!/bin/sh\nexit 101\n', { mode: 0o755 });
  try {
    const apt = (...args: string[]) => {
      const [command, ...rest] = [...sudo, 'env', 'DEBIAN_FRONTEND=noninteractive', 'apt-get', '-q', ...args];
      return run(command as string, rest);
    };
    await apt('update');
    const installed = await apt('install', '-y', '--no-install-recommends', name);
    if (installed.code !== 0)
      throw new Trouble(`apt-get could not install ${name}: ${installed.stderr.trim().split('\n').at(-1)}`, byHand);
  } finally {
    if (madePolicy) rmSync(policyFile, { force: true });
  }
}
