import { listContacts } from '@/data/contacts/contactRepository';
import type { Knex } from 'knex';
import type { Parcel, ParcelLine, Unit } from '@/core/entities/entities';
import type { Difference } from '@/core/intake/parcelDifferences';
import { supplierRecord, type ParcelRecord, type SupplierRecord } from '@/core/intake/supplierRecord';
import type { UnitStage } from '@/core/entities/stages';
import { countOpenLines, listParcels, openLines, stageCounts } from '@/data/parcels/parcelRepository';
import { readTallies } from '@/data/tallies/readTallies';
import { parcelClaim } from '@/data/parcels/parcelClaim';
import { parcelCost } from '@/data/parcels/parcelCost';
import { parcelUnits } from '@/data/parcels/parcelUnits';

export interface ParcelSummary {
  readonly parcel: Parcel;
  readonly tagged: number;
  readonly stages: readonly { readonly stage: UnitStage; readonly count: number }[];
}

export interface DockView {
  readonly parcels: readonly ParcelSummary[];
  readonly open: {
    readonly parcel: Parcel;
    /** The first lines that nothing was tagged for yet. */
    readonly lines: readonly ParcelLine[];
    /** How many of these there are in all. */
    readonly openCount: number;
    /** Those tagged last. */
    readonly units: readonly Unit[];
    readonly differences: readonly Difference[];
    /** What the parcels of this supplier turned out to be. */
    readonly supplier: SupplierRecord;
    /** What each unit has cost so far by the parcel's rule: least and most, in cents. */
    readonly cost: { readonly leastCents: number; readonly mostCents: number; readonly units: number };
  } | null;
  /** Suppliers by name, to choose from. */
  readonly suppliers: readonly string[];
}

const shownLines = 200;
const shownUnits = 12;
/** Parcels of one supplier that its record looks back on. */
const remembered = 12;

/** All parcels, and one of them open: what is still in the box and what was tagged last. */
export async function readDock(db: Knex, parcelId: string | undefined): Promise<DockView> {
  const [parcels, tallies, contacts] = await Promise.all([
    listParcels(db),
    readTallies(db, ['parcel-stage']),
    listContacts(db),
  ]);
  const counts = stageCounts(tallies);
  const noted = contacts.filter(({ kind }) => kind === 'supplier').map(({ name }) => name);
  const suppliers = [...new Set([...parcels.map((parcel) => parcel.supplier), ...noted])].sort();
  const summaries = parcels.map((parcel) => {
    const stages = counts.get(parcel.id) ?? [];
    return { parcel, stages, tagged: stages.reduce((sum, { count }) => sum + count, 0) };
  });
  const chosen = parcels.find(({ id }) => id === parcelId) ?? parcels[0];
  if (!chosen) return { parcels: summaries, open: null, suppliers };
  const all = await parcelUnits(db, chosen.id);
  const [lines, openCount, differences, cost, others] = await Promise.all([
    openLines(db, chosen.id, shownLines),
    countOpenLines(db, chosen.id),
    parcelClaim(db, chosen, all),
    parcelCost(db, chosen, all),
    recordsOf(
      db,
      parcels.filter(({ id, supplier }) => id !== chosen.id && supplier === chosen.supplier),
    ),
  ]);
  const supplier = supplierRecord([recordOf(chosen, differences), ...others]);
  const units = all.slice(0, shownUnits).map(({ unit }) => unit);
  const { byUnit: _, ...spread } = cost;
  const open = { parcel: chosen, lines, openCount, units, differences, supplier, cost: spread };
  return { parcels: summaries, open, suppliers };
}

const recordOf = ({ isCounted, lineCount }: Parcel, differences: readonly Difference[]): ParcelRecord => ({
  isCounted,
  promised: lineCount,
  differences,
});

/** The latest parcels of a supplier that were counted. */
const recordsOf = (db: Knex, parcels: readonly Parcel[]): Promise<readonly ParcelRecord[]> =>
  Promise.all(
    parcels
      .filter(({ isCounted }) => isCounted)
      .slice(0, remembered)
      .map(async (parcel) => recordOf(parcel, await parcelClaim(db, parcel, await parcelUnits(db, parcel.id)))),
  );
