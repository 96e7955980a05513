import { kinds } from '../instruments/kinds';
import { StandIn } from '../instruments/standIn';
import { say, Trouble } from '../support/say';

/** Starts a stand-in for an instrument, which measures nothing, with its panel. */
export async function instrument([name = '', url = '', key = '', port = '0']: readonly string[]): Promise<void> {
  const kind = Object.hasOwn(kinds, name) ? kinds[name] : undefined;
  if (!kind) throw new Trouble(`There is no stand-in called “${name}”.`, `One of: ${Object.keys(kinds).join(', ')}.`);
  if (!/^https?:\/\//.test(url) || key === '')
    throw new Trouble(
      'A stand-in needs the address of the application and a key of a bench.',
      'Make a key on the page Instruments (the menu, or /instruments); it shows the whole command.',
    );
  const { url: at, server } = await new StandIn({ instrument: name, kind, url: url.replace(/\/$/, ''), key }).serve(
    Number(port) || 0,
  );
  say(`${kind.name} (simulated): its panel is at ${at}\nCtrl-C ends it.`);
  for (const signal of ['SIGINT', 'SIGTERM'] as const)
    process.once(signal, () => {
      server.closeAllConnections();
      server.close();
    });
}
