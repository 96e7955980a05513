import type { Knex } from 'knex';
import type { Part } from '@/core/entities/entities';
import { cellDue, type CellDue } from '@/core/shelf/cellDue';
import { standings, stockRules, type ClassStanding } from '@/core/shelf/standing';
import { newestModels } from '@/data/models/modelRepository';
import { kindsAmong, partKinds, type PartKind } from '@/data/models/partKinds';
import { cellsDue, oldStock } from '@/data/parts/shelfRows';
import { reservedByClass } from '@/data/parts/reservedByClass';
import { readTallies } from '@/data/tallies/readTallies';
import type { PurchaseOffer } from '@/core/matching/offers';
import type { Reserve } from '@/core/matchPlan/problem';
import { partReserves } from '@/data/orders/reserveRepository';
import { openOffers } from '@/data/orders/offerRepository';
import { openSlots } from '@/data/flow/openSlots';

/** A class as people know it: what it is called in the models that have it, and how it stands. */
export interface StandingRow extends ClassStanding {
  readonly name: string;
  readonly models: readonly string[];
  /** Lying there longer than is good, and since when; null where nothing does. */
  readonly old: { readonly count: number; readonly since: string } | null;
  /** Tags of the units that want one, the first few. */
  readonly wantedBy: readonly string[];
  readonly grades: Readonly<Record<string, number>>;
  /** Where one can be bought, the cheapest first. */
  readonly offers: readonly PurchaseOffer[];
  /** How many stay on the shelf whatever a plan could make of them; null where none has to. */
  readonly reserve: Reserve | null;
  /** What one of grade B brings by itself, in cents. */
  readonly valueCents: number;
}

export interface StockView {
  readonly rows: readonly StandingRow[];
  readonly due: readonly { readonly part: Part; readonly due: CellDue }[];
  readonly dueTotal: number;
  readonly kinds: Readonly<Record<string, PartKind>>;
  readonly builds: number;
}

const dayMs = 24 * 3600 * 1000;
/** What lies longer is old. */
const oldDays = 180;
const shownDue = 40;
const shownUnits = 4;

/** Stock against the demand of the builds that wait and the pace of use; what is old, and which cells are due. */
export async function readStock(db: Knex, now: Date): Promise<StockView> {
  const [{ wantedBy, builds }, tallies, models, kinds, reserved, due, old, offers, reserves] = await Promise.all([
    openSlots(db, now),
    readTallies(db, ['stock', 'used']),
    newestModels(db),
    partKinds(db, now),
    reservedByClass(db),
    cellsDue(db, now.toISOString(), shownDue),
    oldStock(db, new Date(now.getTime() - oldDays * dayMs).toISOString()),
    openOffers(db),
    partReserves(db),
  ]);
  const gradesOf = new Map<string, Record<string, number>>();
  for (const { about, more, count } of tallies.stock) {
    const grade = more.slice(0, 1);
    const own = gradesOf.get(about) ?? {};
    own[grade] = (own[grade] ?? 0) + count;
    gradesOf.set(about, own);
  }
  const first = new Date(now.getTime() - (stockRules.watchedDays - 1) * dayMs).toISOString().slice(0, 10);
  const usedOf = new Map<string, number>();
  for (const { about, more: day, count } of tallies.used)
    if (day >= first) usedOf.set(about, (usedOf.get(about) ?? 0) + count);
  const all = new Set([
    ...gradesOf.keys(),
    ...wantedBy.keys(),
    ...usedOf.keys(),
    ...reserved.keys(),
    ...reserves.map(({ of }) => of),
  ]);
  const known = namesOfClasses(models, kinds);
  const oldOf = new Map(old.map(({ interchange, ...rest }) => [interchange, rest]));
  const judged = standings(
    [...all].map((interchange) => ({
      interchange,
      free: Object.values(gradesOf.get(interchange) ?? {}).reduce((sum, count) => sum + count, 0),
      reserved: reserved.get(interchange) ?? 0,
      wanted: wantedBy.get(interchange)?.length ?? 0,
      used: usedOf.get(interchange) ?? 0,
    })),
  );
  return {
    rows: judged.map((row) => ({
      ...row,
      ...(known.get(row.interchange) ?? { name: row.interchange, models: [], valueCents: 0 }),
      old: oldOf.get(row.interchange) ?? null,
      wantedBy: (wantedBy.get(row.interchange) ?? []).slice(0, shownUnits),
      grades: gradesOf.get(row.interchange) ?? {},
      offers: offers.filter(({ interchange }) => interchange === row.interchange),
      reserve: reserves.find(({ of }) => of === row.interchange) ?? null,
    })),
    due: due.parts.flatMap((part) => {
      const own = cellDue(part);
      return own ? [{ part, due: own }] : [];
    }),
    dueTotal: due.total,
    kinds: kindsAmong(kinds, due.parts),
    builds,
  };
}

/** What the classes are called, by the first model that has them. */
function namesOfClasses(
  models: Awaited<ReturnType<typeof newestModels>>,
  kinds: Awaited<ReturnType<typeof partKinds>>,
): ReadonlyMap<string, Pick<StandingRow, 'name' | 'models' | 'valueCents'>> {
  const found = new Map<string, { name: string; models: string[]; valueCents: number }>();
  for (const model of models)
    for (const part of model.parts) {
      const own = found.get(part.interchange) ?? {
        name: part.name,
        models: [],
        valueCents: kinds[`${model.id}/${part.id}`]?.valueCents.B ?? 0,
      };
      if (!own.models.includes(model.name)) own.models.push(model.name);
      found.set(part.interchange, own);
    }
  return found;
}
