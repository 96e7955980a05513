import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import type { Sample } from './sample';

/** Columns of a log, by what their headings begin with or hold. */
const headings = {
  s: /^(test |step |elapsed |total |relative )?(time|zeit|t|seconds?|secs?|mins?|minutes?|hrs?|hours?|date)\b|^timestamp/i,
  volt: /^(cell |battery |pack )?(volt|spannung|u\b|v\b)|\bvoltage/i,
  ampere: /^(cell |battery |pack )?(curr|amp|strom|i\b|a\b|ma\b)|\bcurrent/i,
  celsius: /temp|celsius|°\s*c/i,
} as const;
type Column = keyof typeof headings;

/** Units in a heading, in brackets or after an underscore or slash, and what one of them is. */
const units: Readonly<Record<Column, readonly (readonly [RegExp, number])[]>> = {
  s: [
    [/\b(ms|msecs?|milliseconds?)\b/i, 0.001],
    [/\b(min|mins|minutes?)\b/i, 60],
    [/\b(h|hrs?|hours?)\b/i, 3600],
  ],
  volt: [[/\bmv\b|millivolt/i, 0.001]],
  ampere: [[/\bma\b|milliamp/i, 0.001]],
  celsius: [],
};

export interface LogTable {
  readonly samples: readonly Sample[];
  /** Units that no heading named and that the figures themselves show. */
  readonly assumed: readonly ('mV' | 'mA')[];
  /** The last line broke off in the middle and was left out. */
  readonly isCutOff: boolean;
}

/** No single cell or pack of a device has more volts, or gives so many times its rating in an hour. */
const mostVolt = 100;
const mostRate = 30;

/**
 * Samples from the cells of an analyser's table: columns by their headings, units by those too, decimals with a comma or a
 * point, times as seconds, as hours:minutes:seconds or as dates.
 *
 * @param isComma  whether a comma stands before the parts of a number: it is not what separates the columns
 * @refuses 'log-columns' when time, voltage or current is not there; 'log-line' with the first line that has no numbers
 */
export function readLogTable(
  rows: readonly (readonly string[])[],
  ratedAmpHours: number,
  isComma: boolean,
): Outcome<LogTable> {
  const headAt = rows.findIndex((row) => columnOf(row, 'volt') >= 0 && columnOf(row, 'ampere') >= 0);
  const head = rows[headAt];
  if (!head) return refuse('log-columns', { found: (rows[0] ?? []).slice(0, 8).map((cell) => cell.slice(0, 40)) });
  const at = { s: columnOf(head, 's'), volt: columnOf(head, 'volt'), ampere: columnOf(head, 'ampere') };
  if (at.s < 0) return refuse('log-columns', { found: head.slice(0, 8).map((cell) => cell.slice(0, 40)) });
  const celsiusAt = columnOf(head, 'celsius');
  const factor = (column: Column, place: number) =>
    units[column].find(([pattern]) => pattern.test((head[place] ?? '').replaceAll('_', ' ')))?.[1] ?? 1;
  const factors = { s: factor('s', at.s), volt: factor('volt', at.volt), ampere: factor('ampere', at.ampere) };
  const number = (cell: string | undefined) => readFigure(cell ?? '', isComma);
  const body = rows.slice(headAt + 1);
  const samples: Sample[] = [];
  let isCutOff = false;
  for (const [index, row] of body.entries()) {
    const s = readTime(row[at.s] ?? '', isComma);
    const [volt, ampere] = [number(row[at.volt]), number(row[at.ampere])];
    if (s === undefined || volt === undefined || ampere === undefined) {
      // A row of units under the headings, and a last line that broke off, are left out.
      if (index === 0) continue;
      if (index === body.length - 1) {
        isCutOff = true;
        break;
      }
      return refuse('log-line', { line: headAt + index + 2, text: row.join(' · ').slice(0, 80) });
    }
    const celsius = celsiusAt < 0 ? undefined : number(row[celsiusAt]);
    samples.push({
      s: s.isClock ? s.seconds : s.seconds * factors.s,
      volt: volt * factors.volt,
      ampere: ampere * factors.ampere,
      ...(celsius !== undefined && { celsius }),
    });
  }
  const first = samples[0]?.s ?? 0;
  const isMilliVolt = samples.length > 0 && samples.every(({ volt }) => volt > mostVolt);
  const greatest = samples.reduce((most, { ampere }) => Math.max(most, Math.abs(ampere)), 0);
  const isMilliAmpere = greatest > mostRate * ratedAmpHours;
  return accept({
    samples: samples.map((sample) => ({
      ...sample,
      s: sample.s - first,
      volt: isMilliVolt ? sample.volt / 1000 : sample.volt,
      ampere: isMilliAmpere ? sample.ampere / 1000 : sample.ampere,
    })),
    assumed: [...(isMilliVolt ? (['mV'] as const) : []), ...(isMilliAmpere ? (['mA'] as const) : [])],
    isCutOff,
  });
}

const columnOf = (row: readonly string[], column: Column): number =>
  row.findIndex((cell) => headings[column].test(cell.trim().replaceAll('_', ' ')));

/** A figure as analysers write it; undefined for what is none. */
function readFigure(cell: string, isComma: boolean): number | undefined {
  const plain = isComma ? cell.trim().replace(',', '.') : cell.trim();
  if (!/^[+-]?(\d+\.?\d*|\.\d+)(e[+-]?\d+)?$/i.test(plain)) return undefined;
  const value = Number(plain);
  return Number.isFinite(value) ? value : undefined;
}

/** Seconds from a figure, from hours:minutes:seconds, or from a date with a time. */
function readTime(cell: string, isComma: boolean): { readonly seconds: number; readonly isClock: boolean } | undefined {
  const figure = readFigure(cell, isComma);
  if (figure !== undefined) return { seconds: figure, isClock: false };
  const clock = /^(?:(\d+)\s*d\s*)?(\d+):(\d{2})(?::(\d{2}(?:[.,]\d+)?))?$/.exec(cell.trim());
  if (clock) {
    const [, days = '0', hours, minutes, seconds = '0'] = clock;
    return {
      seconds: Number(days) * 86_400 + Number(hours) * 3600 + Number(minutes) * 60 + Number(seconds.replace(',', '.')),
      isClock: true,
    };
  }
  if (!/^\d{4}-\d{2}-\d{2}[T ]\d/.test(cell.trim())) return undefined;
  const ms = Date.parse(cell.trim().replace(' ', 'T'));
  return Number.isNaN(ms) ? undefined : { seconds: ms / 1000, isClock: true };
}
