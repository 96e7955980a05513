import { spawn, type ChildProcess } from 'node:child_process';
import type { Page } from 'puppeteer-core';
import { projectRoot } from '../../scripts/support/home';
import { go, press } from './e2e';

const children: ChildProcess[] = [];

/** A key for an instrument at the bench of whoever is signed in, made as people make it. */
export async function makeKey(page: Page, url: string, name: string): Promise<string> {
  await go(page, url, '/instruments');
  await page.type('main input', name);
  await press(page, 'Enter');
  await page.waitForSelector('[data-key]');
  return page.$eval('[data-key]', ({ textContent }) => textContent ?? '');
}

/** A stand-in as people start it. @returns the address of its panel */
export async function standIn(name: string, url: string, key: string): Promise<string> {
  const child = spawn(process.execPath, ['--import', 'tsx', 'scripts/plucky.ts', 'instrument', name, url, key], {
    cwd: projectRoot,
  });
  children.push(child);
  return new Promise((found, fail) => {
    let said = '';
    child.stdout.on('data', (chunk: Buffer) => {
      said += String(chunk);
      const panel = /panel is at (\S+)/.exec(said)?.[1];
      if (panel) found(panel);
    });
    child.once('exit', () => fail(new Error(`the stand-in ended: ${said}`)));
  });
}

/** Presses a button of a stand-in's panel. */
export const act = (panel: string, id: string) => fetch(`${panel}/${id}`, { method: 'POST', redirect: 'manual' });

export async function endStandIns(): Promise<void> {
  for (const child of children.splice(0)) {
    child.kill('SIGTERM');
    await new Promise((ended) => (child.exitCode === null ? child.once('exit', ended) : ended(undefined)));
  }
}
