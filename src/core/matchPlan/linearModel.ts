/** A column of a linear programme: a quantity that is chosen. */
export interface Column {
  readonly name: string;
  /** What one of it adds to the objective, which is made as large as it can be. */
  readonly gain: number;
  readonly low: number;
  readonly high: number;
  readonly isWhole: boolean;
}

/** A row: a sum of columns that stays between two bounds. */
export interface Row {
  readonly name: string;
  readonly low: number;
  readonly high: number;
  readonly terms: readonly (readonly [column: number, factor: number])[];
}

/** An integer programme as plain data. */
export interface LinearModel {
  readonly columns: readonly Column[];
  readonly rows: readonly Row[];
}

/** Gathers columns and rows; terms of the same column in one row are added up. */
export class ModelWriter {
  readonly columns: Column[] = [];
  readonly rows: Row[] = [];

  column(column: Column): number {
    this.columns.push(column);
    return this.columns.length - 1;
  }

  row(name: string, low: number, high: number, terms: readonly (readonly [number, number])[]): void {
    const added = new Map<number, number>();
    for (const [column, factor] of terms) added.set(column, (added.get(column) ?? 0) + factor);
    const kept = [...added].filter(([, factor]) => factor !== 0);
    // A row of nothing that can never hold is kept: it is why there is no plan.
    if (kept.length === 0 && low <= 0 && high >= 0) return;
    this.rows.push({ name, low, high, terms: kept });
  }
}

/** What a choice of columns adds up to. */
export const gainOf = ({ columns }: LinearModel, values: ArrayLike<number>): number =>
  columns.reduce((sum, { gain }, at) => sum + gain * (values[at] as number), 0);
