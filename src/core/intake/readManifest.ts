import type { ParcelLine } from '@/core/entities/entities';
import { findColumns, type ColumnMapping, type ManifestField } from './columnMapping';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { message, type Message } from '@/core/shared/message';

export type ManifestLine = Pick<ParcelLine, 'lineNo' | 'maker' | 'model' | 'serial' | 'note'>;

/** A row that is not taken, and why. */
export interface BadRow {
  /** Line of the file, counting from 1 with the heading. */
  readonly fileLine: number;
  readonly text: string;
  readonly problem: Message<'intake'>;
}

export interface ManifestPreview {
  readonly lines: readonly ManifestLine[];
  readonly badRows: readonly BadRow[];
  /** Headings that were recognised, by field. */
  readonly columns: Readonly<Record<string, string>>;
}

const longest = { maker: 60, model: 80, serial: 60, note: 200 } as const;

/** More headings than this are not named back. */
const mostNamed = 12;

/**
 * Reads the expected list of a parcel from the cells of a table. Never throws a row away silently: what cannot be taken
 * comes back with its problem.
 *
 * @param rows         cells, the first row holding the headings; rows may be ragged
 * @param mapping      which column holds what, when somebody said so; else the headings say it
 * @param knownSerials serials the shop holds already, which are a question and not an expectation
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
  if (missing.length > 0) return refuse('columns-missing', { columns: missing, found: head.slice(0, mostNamed) });

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
): Message<'intake'> | null {
  if (cellCount > headCount) return message('intake.cellsUnderHeadingsThereSeparator', { cellCount, headCount });
  if (!Number.isInteger(row.lineNo) || row.lineNo < 1 || row.lineNo > 1_000_000)
    return message('intake.lineNumberNotWholeNumber');
  if (takenNumbers.has(row.lineNo)) return message('intake.lineNumberOccursTwice', { lineNo: row.lineNo });
  if (row.maker === '') return message('intake.makerEmpty');
  if (row.model === '') return message('intake.modelEmpty');
  const tooLong = (Object.keys(longest) as (keyof typeof longest)[]).find(
    (field) => row[field].length > longest[field],
  );
  if (tooLong) return message('intake.longerThanCharacters', { column: tooLong, most: longest[tooLong] });
  // A replacement character or C1 control means that the bytes were read in the wrong encoding.
  if (/[\uFFFD\u0080-\u009F]/.test(Object.values(row).join(''))) return message('intake.hasCharactersThatCouldNot');
  if (row.serial && seen.has(row.serial))
    return message('intake.serialAlsoOnLineFile', { serial: row.serial, line: seen.get(row.serial) });
  if (row.serial && knownSerials.has(row.serial))
    return message('intake.unitWithSerialAlreadyIn', { serial: row.serial });
  return null;
}

const isBlank = (cells: readonly string[]): boolean => cells.every((cell) => cell.trim() === '');
