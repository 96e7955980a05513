import { existsSync, readFileSync } from 'node:fs';
import { masked } from '../server/log.cjs';

const mostLines = 5000;

/** What a line of the log may tell somebody else. Who typed a PIN, and from where, is not in it. */
const told = [
  'at',
  'what',
  'worker',
  'id',
  'method',
  'route',
  'status',
  'ms',
  'says',
  'where',
  'code',
  'sql',
  'outcome',
];

/** The newest lines of a log of the application; what is no line of ours stays behind. */
export function applicationLines(file: string): readonly string[] {
  return lastLines(file).flatMap((line) => {
    try {
      const said = JSON.parse(line) as Readonly<Record<string, unknown>>;
      if (typeof said.what !== 'string') return [];
      return [JSON.stringify(Object.fromEntries(told.flatMap((name) => (name in said ? [[name, said[name]]] : []))))];
    } catch {
      return [];
    }
  });
}

/** The newest lines of the database's own log, without what stands in quotes and without addresses. */
export const databaseLines = (file: string): readonly string[] =>
  lastLines(file).map((line) =>
    masked(line)
      .replace(/\b\d{1,3}(\.\d{1,3}){3}\b/g, '‹›')
      // Folders may be named after somebody.
      .replace(/(^|\s)\/\S+/g, '$1‹path›'),
  );

function lastLines(file: string): readonly string[] {
  if (!existsSync(file)) return [];
  return readFileSync(file, 'utf8').split('\n').filter(Boolean).slice(-mostLines);
}
