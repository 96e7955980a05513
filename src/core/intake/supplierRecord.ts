import { jeffreysInterval, type ShareInterval } from '@/core/statistics/jeffreysInterval';
import type { Difference, DifferenceKind } from './parcelDifferences';

/** One parcel of a supplier as it turned out. */
export interface ParcelRecord {
  readonly isCounted: boolean;
  /** Lines of its list. */
  readonly promised: number;
  readonly differences: readonly Pick<Difference, 'kind' | 'lineNo' | 'cents'>[];
}

export interface SupplierRecord {
  /** Parcels that were counted to the bottom of the box. */
  readonly counted: number;
  readonly promised: number;
  /** Promised units that came as promised: not missing, not another model, not locked. */
  readonly asPromised: number;
  /** The share that can be expected to come as promised, 8 times of 10. */
  readonly expected: ShareInterval;
  readonly byKind: Readonly<Partial<Record<DifferenceKind, number>>>;
  /** What the differences cost, in cents. */
  readonly cents: number;
}

/** Differences that make a promised unit another one than was paid for; a serial that differs does not. */
const breaksPromise: ReadonlySet<DifferenceKind> = new Set(['missing', 'other-model', 'locked']);

/**
 * How far a supplier's lists can be believed, from the parcels that were counted: those still being unpacked would
 * flatter it. A line with two differences is broken once.
 */
export function supplierRecord(parcels: readonly ParcelRecord[]): SupplierRecord {
  const counted = parcels.filter(({ isCounted, promised }) => isCounted && promised > 0);
  const differences = counted.flatMap((parcel) => parcel.differences);
  const byKind: Partial<Record<DifferenceKind, number>> = {};
  for (const { kind } of differences) byKind[kind] = (byKind[kind] ?? 0) + 1;
  const promised = counted.reduce((sum, parcel) => sum + parcel.promised, 0);
  const broken = counted.reduce((sum, parcel) => {
    const lines = parcel.differences.flatMap(({ kind, lineNo }) =>
      breaksPromise.has(kind) && lineNo !== null ? [lineNo] : [],
    );
    return sum + new Set(lines).size;
  }, 0);
  const asPromised = promised - broken;
  return {
    counted: counted.length,
    promised,
    asPromised,
    expected: jeffreysInterval(asPromised, promised, 0.8),
    byKind,
    cents: differences.reduce((sum, { cents }) => sum + cents, 0),
  };
}
