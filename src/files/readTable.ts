import { parse } from 'csv-parse/sync';
import { message } from '@/core/shared/message';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';

export interface ReadTable {
  readonly rows: readonly (readonly string[])[];
  readonly encoding: 'UTF-8' | 'UTF-16' | 'Windows-1252';
  readonly separator: string;
}

export const mostBytes = 5 * 1024 * 1024;
export const mostRows = 20_000;
const usual = { mostBytes, mostRows, most: '5 MB' };
const separators = [',', ';', '\t', '|'] as const;

/**
 * Reads a table from the bytes of a CSV file, finding its encoding and separator.
 *
 * @param bounds  above which it is not read; `most` says the bytes in words
 * @refuses 'file-empty'; 'file-too-large'; 'file-unreadable' for what is no text table
 */
export function readTable(bytes: Uint8Array, bounds: typeof usual = usual): Outcome<ReadTable> {
  if (bytes.length === 0) return refuse('file-empty');
  if (bytes.length > bounds.mostBytes) return refuse('file-too-large', { most: bounds.most });
  const decoded = decode(bytes);
  if (!decoded) return refuse('file-unreadable', { says: message('refusals.notText') });
  const { text, encoding } = decoded;
  if (text.trim() === '') return refuse('file-empty');
  const separator = findSeparator(text);
  try {
    const rows = parse(text, {
      delimiter: separator,
      bom: true,
      relax_column_count: true,
      skip_empty_lines: true,
      to: bounds.mostRows + 2,
    });
    if (rows.length > bounds.mostRows + 1)
      return refuse('file-too-large', { most: message('refusals.rowsMost', { rows: bounds.mostRows }) });
    return accept({ rows, encoding, separator });
  } catch (error) {
    const line = error instanceof Error && 'lines' in error ? Number(error.lines) : 0;
    return refuse('file-unreadable', { says: message('refusals.quoteOpen', { line }) });
  }
}

function decode(bytes: Uint8Array): { text: string; encoding: ReadTable['encoding'] } | undefined {
  const [first, second] = bytes;
  if (first === 0xff && second === 0xfe) return { text: new TextDecoder('utf-16le').decode(bytes), encoding: 'UTF-16' };
  if (first === 0xfe && second === 0xff) return { text: new TextDecoder('utf-16be').decode(bytes), encoding: 'UTF-16' };
  if (bytes.includes(0)) return undefined;
  try {
    return { text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), encoding: 'UTF-8' };
  } catch {
    return { text: new TextDecoder('windows-1252').decode(bytes), encoding: 'Windows-1252' };
  }
}

/**
 * The separator that cuts the first lines into the most columns, outside quotation marks; one that cuts all of them into
 * equally many before one that does not: a comma may stand before the parts of numbers.
 */
function findSeparator(text: string): string {
  const head = text
    .split(/\r?\n/, 5)
    .join('\n')
    .replace(/"[^"]*"/g, '');
  const lines = head.split('\n').filter((line) => line.trim() !== '');
  const counts = separators.map((separator) => {
    const each = lines.map((line) => line.split(separator).length);
    const count = each.reduce((sum, columns) => sum + columns, 0);
    return { separator, count, isEven: (each[0] ?? 1) > 1 && each.every((columns) => columns === each[0]) };
  });
  return counts.reduce((best, entry) =>
    entry.isEven === best.isEven ? (entry.count > best.count ? entry : best) : entry.isEven ? entry : best,
  ).separator;
}
