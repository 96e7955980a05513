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
const separators = [',', ';', '\t', '|'] as const;

/**
 * Reads a table from the bytes of a CSV file, finding its encoding and separator.
 *
 * @refuses 'file-empty'; 'file-too-large' above 5 MB or 20,000 rows; 'file-unreadable' for what is no text table
 */
export function readTable(bytes: Uint8Array): Outcome<ReadTable> {
  if (bytes.length === 0) return refuse('file-empty');
  if (bytes.length > mostBytes) return refuse('file-too-large', { most: '5 MB' });
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
      to: mostRows + 2,
    });
    if (rows.length > mostRows + 1)
      return refuse('file-too-large', { most: message('refusals.rowsMost', { rows: mostRows }) });
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

/** The separator that cuts the first lines into the most columns, outside quotation marks. */
function findSeparator(text: string): string {
  const head = text
    .split(/\r?\n/, 5)
    .join('\n')
    .replace(/"[^"]*"/g, '');
  const counts = separators.map((separator) => ({ separator, count: head.split(separator).length }));
  return counts.reduce((best, entry) => (entry.count > best.count ? entry : best)).separator;
}
