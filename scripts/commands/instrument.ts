import { kinds } from '../instruments/kinds';
import { PrinterStandIn } from '../instruments/printer';
import { StandIn } from '../instruments/standIn';
import { say, Trouble } from '../support/say';

const printer = 'label-printer';

/** Starts a stand-in for an instrument, which measures nothing, or for a label printer, with its panel. */
export async function instrument([name = '', address = '', key = '', port = '0']: readonly string[]): Promise<void> {
  const kind = Object.hasOwn(kinds, name) ? kinds[name] : undefined;
  if (!kind && name !== printer)
    throw new Trouble(
      `There is no stand-in called “${name}”.`,
      `One of: ${[...Object.keys(kinds), printer].join(', ')}.`,
    );
  if (!/^https?:\/\//.test(address) || key === '')
    throw new Trouble(
      'A stand-in needs the address of the application and a key of a bench.',
      'Make a key on the page Instruments (the menu, or /instruments); it shows the whole command.',
    );
  const url = address.replace(/\/$/, '');
  const standIn = kind ? new StandIn({ instrument: name, kind, url, key }) : new PrinterStandIn(url, key);
  const { url: at, server } = await standIn.serve(Number(port) || 0);
  say(`${kind?.name ?? 'Label printer'} (simulated): its panel is at ${at}\nCtrl-C ends it.`);
  for (const signal of ['SIGINT', 'SIGTERM'] as const)
    process.once(signal, () => {
      server.closeAllConnections();
      server.close();
    });
}
