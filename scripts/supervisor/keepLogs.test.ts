import { appendFileSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { shortenLogs } from './keepLogs';

const folder = mkdtempSync(join(tmpdir(), 'plucky-logs-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

test('a log that has grown begins anew, three older ones stay, and others are nobody’s business', () => {
  const log = join(folder, 'application.log');
  writeFileSync(join(folder, 'notes.txt'), 'x'.repeat(100));
  for (let turn = 1; turn <= 6; turn += 1) {
    appendFileSync(log, `${turn}${'x'.repeat(50)}`);
    shortenLogs(folder, 40);
    expect(readFileSync(log, 'utf8')).toBe('');
  }
  // Who has it open adds at the end of what is there now.
  appendFileSync(log, 'short');
  shortenLogs(folder, 40);
  expect(readFileSync(log, 'utf8')).toBe('short');
  const older = readdirSync(folder).filter((name) => name.startsWith('application.log.'));
  expect(older.sort().map((name) => readFileSync(join(folder, name), 'utf8')[0])).toEqual(['6', '5', '4']);
  expect(readFileSync(join(folder, 'notes.txt'), 'utf8')).toHaveLength(100);
});
