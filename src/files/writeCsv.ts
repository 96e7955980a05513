import { stringify } from 'csv-stringify/sync';
import { safeCell } from './safeCell';

/** Rows of plain values as CSV with a line of names; what is an object is written as JSON. */
export function writeCsv<T extends object>(rows: readonly T[], columns: readonly (keyof T & string)[]): string {
  const cell = (value: unknown): string => {
    if (value === null || value === undefined) return '';
    return typeof value === 'object' ? JSON.stringify(value) : safeCell(String(value));
  };
  return stringify(
    rows.map((row) => columns.map((column) => cell(row[column]))),
    { header: true, columns: [...columns] },
  );
}
