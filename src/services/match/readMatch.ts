import type { Knex } from 'knex';
import type { Part, Unit } from '@/core/entities/entities';
import { modelAmong, type Model } from '@/core/procedure/model';
import { outlineOf } from '@/core/procedure/outline';
import { slotNeeds } from '@/core/sale/slots';
import type { OnShelf } from '@/core/triage/knowledge';
import type { OnItsWay } from '@/core/matching/onItsWay';
import { onTheirWay } from '@/data/parts/onTheirWay';
import { modelsOfUnits } from '@/data/models/modelsOfUnits';
import { oldestOnShelf, partsAssignedTo, partsKeptFor, type ShelfKind } from '@/data/parts/partRepository';
import { shelfStock } from '@/data/parts/shelfStock';
import { readTallies, type Tallies } from '@/data/tallies/readTallies';
import { findUnit, unitsAt } from '@/data/units/unitRepository';

export interface MatchView {
  readonly units: readonly Unit[];
  /** Whole, where the parts for a unit are here; else in outline. */
  readonly models: readonly Model[];
  /** Parts already set aside or kept for one of the units, and what may be offered from the shelf: see `offered`. */
  readonly parts: readonly Part[];
  /** The best of each class on the shelf. */
  readonly shelf: Readonly<Record<string, OnShelf>>;
  /**
   * For whose slots the parts are there: for all units, or for one; then those of another are asked for when it is chosen. Of
   * parts that are worth the same to a slot, the oldest.
   */
  readonly offered: 'all' | string | null;
  /** What was promised to the units and is not on the shelf yet. */
  readonly coming: readonly OnItsWay[];
}

/** What one unit is matched by. */
export interface Offered {
  readonly parts: readonly Part[];
  /** Its own. */
  readonly models: readonly Model[];
}

/** So many parts, and whole models, go to a screen at once. */
const mostSent = 600;
const mostModels = 8;
/** Of parts that are worth the same: more than are offered at a time, so that some may be taken before the page is read again. */
const mostAlike = 12;

/** Units to be built, and the parts that could go into them, or into the one that is asked for. @param tag of that one */
export async function readMatch(db: Knex, now: Date, tag?: string): Promise<MatchView> {
  const [units, tallies] = await Promise.all([unitsAt(db, ['match']), readTallies(db, ['stock', 'whole'])]);
  const models = await modelsOfUnits(db, units, now);
  const kinds = kindsFor(units, models, tallies);
  const [coming, assigned, kept] = await Promise.all([
    onTheirWay(
      db,
      units.map((unit) => unit.tag),
      now,
    ),
    partsAssignedTo(
      db,
      units.map(({ id }) => id),
    ),
    partsKeptFor(
      db,
      units.map((unit) => unit.tag),
    ),
  ]);
  const shelf = shelfStock(tallies);
  if ((kinds.length * mostAlike <= mostSent && models.length <= mostModels) || units.length < 2) {
    const parts = [...(await oldestOnShelf(db, kinds, mostAlike)), ...assigned, ...kept];
    return { units, models, shelf, parts, offered: 'all', coming };
  }
  const first = units.find((unit) => unit.tag === tag) ?? units[0];
  const whole = modelAmong(models, first);
  const own = first ? await oldestOnShelf(db, kindsFor([first], models, tallies), mostAlike) : [];
  return {
    units,
    models: models.map((model) => (model === whole ? model : outlineOf(model))),
    shelf,
    parts: [...own, ...assigned, ...kept],
    offered: first?.tag ?? null,
    coming,
  };
}

/** Parts on the shelf that could go into one unit, and its model; nothing where there is no such unit at Match. */
export async function readOffered(db: Knex, tag: string, now: Date): Promise<Offered> {
  const unit = await findUnit(db, { tag });
  if (unit?.stage !== 'match') return { parts: [], models: [] };
  const [models, tallies] = await Promise.all([modelsOfUnits(db, [unit], now), readTallies(db, ['stock', 'whole'])]);
  return { models, parts: await oldestOnShelf(db, kindsFor([unit], models, tallies), mostAlike) };
}

/** What lies on the shelf of the classes that some slot of the units takes, by what makes one part worth as much as another. */
function kindsFor(
  units: readonly Unit[],
  models: readonly Model[],
  { stock, whole }: Tallies<'stock' | 'whole'>,
): readonly ShelfKind[] {
  const classes = new Set(
    units.flatMap((unit) => {
      const model = modelAmong(models, unit);
      return model ? slotNeeds(model, unit).map(({ part }) => part.interchange) : [];
    }),
  );
  const isWanted = ({ about }: { readonly about: string }) => classes.has(about);
  return [
    ...stock.filter(isWanted).map(({ about, more }) => ({ interchange: about, grade: more.slice(0, 1) })),
    ...whole.filter(isWanted).map(({ about, more }) => {
      const [grade = '', modelId = '', ...carries] = more.split(' ');
      return { interchange: about, grade, whole: { modelId, carries } };
    }),
  ];
}
