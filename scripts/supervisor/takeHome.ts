import { setTimeout as sleep } from 'node:timers/promises';
import type { Home } from '../support/home';
import { Trouble } from '../support/say';
import { holdFolder, type Release } from '../support/folderLock';
import { tellHolder, type HolderState, type Order } from './orders';

/** A holder that has just begun does not listen yet, one that ends not any more. */
const silenceMs = 30_000;
const lookMs = 200;

/**
 * Takes a home for this process, and waits while another one has it.
 *
 * @param judge  looks at the holder; what it gives ends the waiting
 * @throws Trouble when the holder says nothing for long, and whatever `judge` throws
 */
export async function takeHome<T>(
  home: Home,
  judge: (holder: HolderState, waitedMs: number) => T | undefined,
  order: Order = 'state',
): Promise<Release | { readonly instead: T }> {
  let told = '';
  let silent = 0;
  for (let waited = 0; ; waited += lookMs) {
    const release = await holdFolder(home.root);
    if (release) return release;
    const holder = await tellHolder(home, order);
    silent = holder ? 0 : silent + lookMs;
    if (silent > silenceMs)
      throw new Trouble(
        `A process that holds ${home.root} does not answer.`,
        'Run this again in a minute; if it stays so, end that process by hand.',
      );
    if (holder) {
      const instead = judge(holder, waited);
      if (instead !== undefined) return { instead };
      const words = order === 'stop' ? '' : `“./plucky ${holder.command}” is at work here. Waiting for it …`;
      if (words && words !== told) console.error((told = words));
    }
    await sleep(lookMs);
  }
}
