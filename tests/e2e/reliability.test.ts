import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { killShop } from '../../scripts/reliability/killShop';

/** The short form of `npm run reliability`, which kills two hundred times. */
const root = mkdtempSync(join(tmpdir(), 'plucky-kill-'));
afterAll(() => rmSync(root, { recursive: true, force: true }));

test('whatever is killed, every acknowledged fact is there once, and the shop goes on', async () => {
  const told: string[] = [];
  const figures = await killShop(root, 14, 17, (line) => told.push(line));
  expect(told).toHaveLength(14);
  expect(figures).toMatchObject({ lost: 0, doubled: 0, invented: 0 });
  expect(figures.acknowledged).toBeGreaterThan(100);
  expect(Object.values(figures.kills).filter((n) => n > 0).length).toBeGreaterThan(4);
}, 600_000);
