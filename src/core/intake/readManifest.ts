import type { ParcelLine } from '@/core/bench/entities';
import { findColumns, type ColumnMapping, type ManifestField } from './columnMapping';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';

export type ManifestLine = Pick<ParcelLine, 'lineNo' | 'maker' | 'model' | 'serial' | 'note'>;

/** A row that is not taken, and why. */
export interface BadRow {
  /** Line of the file, counting from 1 with the heading. */
  readonly fileLine: number;
  readonly text: string;
  readonly problem: string;
}

export interface ManifestPreview {
  readonly lines: readonly ManifestLine[];
  readonly badRows: readonly BadRow[];
  /** Headings that were recognised, by field. */
  readonly columns: Readonly<Record<string, string>>;
}

const longest = { maker: 60, model: 80, serial: 60, note: 200 } as const;

/**
 * Reads the expected list of a parcel from the cells of a table. Never throws a row away silently: what cannot be taken
 * comes back with its problem.
 *
 * @param rows         cells, the first row holding the headings; rows may be ragged
 * @param mapping      which column holds what, when somebody said so; else the headings say it
 * @param knownSerials serials the house holds already, which are a question and not an expectation
 * @refuses 'file-empty' without a row under the headings; 'columns-missing' without maker and model
 * Cost: O(cells)
 */
export function readManifest(
  rows: readonly (readonly string[])[],
  knownSerials: ReadonlySet<string>,
  mapping?: ColumnMapping,
): Outcome<ManifestPreview> {
  const [first, ...rest] = rows;
  const used = mapping ?? findColumns(first ?? []);
  const body = used.hasHeading ? rest : rows;
  const head = first ?? [];
  if (!first || body.every(isBlank)) return refuse('file-empty');
  const at = used.columns;
  const missing = (['maker', 'model'] as const).filter((field) => at[field] === undefined);
  if (missing.length > 0)
    return refuse('columns-missing', { columns: missing.join(' and '), found: head.join(', ').slice(0, 120) });

  const lines: ManifestLine[] = [];
  const badRows: BadRow[] = [];
  const seen = new Map<string, number>();
  const takenNumbers = new Set<number>();
  body.forEach((cells, index) => {
    if (isBlank(cells)) return;
    const fileLine = index + (used.hasHeading ? 2 : 1);
    const cell = (field: ManifestField) => (at[field] === undefined ? '' : (cells[at[field]] ?? '').trim());
    const lineNo = cell('line') === '' ? lines.length + badRows.length + 1 : Number(cell('line'));
    const row = {
      lineNo,
      maker: cell('maker'),
      model: cell('model'),
      serial: cell('serial').toUpperCase(),
      note: cell('note'),
    };
    const problem = problemOf(row, cells.length, head.length, takenNumbers, seen, knownSerials);
    if (problem) {
      badRows.push({ fileLine, text: cells.join(' · ').slice(0, 160), problem });
      return;
    }
    takenNumbers.add(lineNo);
    if (row.serial) seen.set(row.serial, fileLine);
    lines.push(row);
  });
  const columns = Object.fromEntries(
    Object.entries(at).map(([field, column]) => [
      field,
      used.hasHeading ? (head[column] ?? '') : `column ${column + 1}`,
    ]),
  );
  return accept({ lines, badRows, columns });
}

function problemOf(
  row: ManifestLine,
  cellCount: number,
  headCount: number,
  takenNumbers: ReadonlySet<number>,
  seen: ReadonlyMap<string, number>,
  knownSerials: ReadonlySet<string>,
): string | null {
  if (cellCount > headCount)
    return `${cellCount} cells under ${headCount} headings: is a separator inside a text without quotes?`;
  if (!Number.isInteger(row.lineNo) || row.lineNo < 1 || row.lineNo > 1_000_000)
    return 'The line number is not a whole number from 1.';
  if (takenNumbers.has(row.lineNo)) return `Line number ${row.lineNo} comes twice.`;
  if (row.maker === '') return 'The maker is empty.';
  if (row.model === '') return 'The model is empty.';
  const tooLong = (Object.keys(longest) as (keyof typeof longest)[]).find(
    (field) => row[field].length > longest[field],
  );
  if (tooLong) return `The ${tooLong} is longer than ${longest[tooLong]} letters.`;
  // A replacement character or C1 control means that the bytes were read in the wrong encoding.
  if (/[\uFFFD\u0080-\u009F]/.test(Object.values(row).join(''))) return 'It holds letters that could not be read.';
  if (row.serial && seen.has(row.serial))
    return `Serial ${row.serial} is on line ${seen.get(row.serial)} of the file too.`;
  if (row.serial && knownSerials.has(row.serial)) return `A unit with serial ${row.serial} is in the house already.`;
  return null;
}

const isBlank = (cells: readonly string[]): boolean => cells.every((cell) => cell.trim() === '');
