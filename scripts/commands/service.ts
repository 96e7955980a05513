import { existsSync, mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { homedir, userInfo } from 'node:os';
import { dirname, join } from 'node:path';
import { openHome, projectRoot } from '../support/home';
import { run } from '../support/processes';
import { say, Trouble } from '../support/say';
import { unitFile } from '../supervisor/unitFile';

const unitName = 'plucky-parcel.service';
const kept = ['PLUCKY_HOST', 'PLUCKY_PORT', 'PLUCKY_WORKERS'];

/**
 * Makes your own shop a service of this machine: open from boot on, without anybody signed in. Root makes one of the system,
 * anybody else one of their own. `remove` takes it away, `print` only shows the unit.
 */
export async function service([wish = 'install']: readonly string[]): Promise<void> {
  if (!['install', 'remove', 'print'].includes(wish))
    throw new Trouble(`“${wish}” is nothing a service can be asked.`, './plucky service [install|remove|print]');
  const isRoot = process.getuid?.() === 0;
  const file = isRoot
    ? join('/etc/systemd/system', unitName)
    : join(process.env.XDG_CONFIG_HOME ?? join(homedir(), '.config'), 'systemd', 'user', unitName);
  const manager = ['systemctl', ...(isRoot ? [] : ['--user'])].join(' ');
  if (wish === 'remove') {
    const wasThere = existsSync(file);
    if (wasThere) await tell(`${manager} disable --now ${unitName}`);
    rmSync(file, { force: true });
    if (wasThere) await tell(`${manager} daemon-reload`);
    say(wasThere ? `${file} is gone.` : 'There was no service.');
    return;
  }
  const text = unitFile({
    description: 'Plucky Parcel, a tool for a refurbishing bench',
    folder: projectRoot,
    home: openHome().root,
    node: process.execPath,
    user: isRoot ? userInfo().username : null,
    settings: Object.fromEntries(kept.flatMap((name) => (process.env[name] ? [[name, process.env[name]]] : []))),
  });
  if (wish === 'print') {
    process.stdout.write(text);
    return;
  }
  mkdirSync(dirname(file), { recursive: true });
  writeFileSync(file, text, { mode: 0o644 });
  say(`The service is written to ${file}.`);
  const isOpen = (await tell(`${manager} daemon-reload`)) && (await tell(`${manager} enable --now ${unitName}`));
  say(
    isOpen
      ? `It is open, now and after every boot. ${manager} status ${unitName} says how it is; journalctl${isRoot ? '' : ' --user'} -u ${unitName} what it said, the first PIN among it.`
      : `The service manager of this machine does not answer. Once it does: ${manager} enable --now ${unitName}`,
  );
}

async function tell(line: string): Promise<boolean> {
  const [program = '', ...args] = line.split(' ');
  return (await run(program, args)).code === 0;
}
