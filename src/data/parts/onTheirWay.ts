import type { Knex } from 'knex';
import type { OnItsWay } from '@/core/matching/onItsWay';
import { modelAmong } from '@/core/procedure/model';
import { modelsOfUnits } from '@/data/models/modelsOfUnits';
import { unitsThatPromise } from '@/data/units/unitRepository';
import { partsFreedFrom, partsKeptForUnits } from './partRepository';

/** What was promised to some of these units and is on its way. @param tags  of the units */
export async function onTheirWay(db: Knex, tags: readonly string[], now: Date): Promise<readonly OnItsWay[]> {
  const [promising, kept] = await Promise.all([unitsThatPromise(db), partsKeptForUnits(db)]);
  const donors = promising.filter(({ promised }) => Object.values(promised).some((tag) => tags.includes(tag)));
  const [models, out] = await Promise.all([
    modelsOfUnits(db, donors, now),
    partsFreedFrom(
      db,
      donors.map(({ id }) => id),
    ),
  ]);
  const inside = donors.flatMap((unit) => {
    const parts = modelAmong(models, unit)?.parts ?? [];
    return Object.entries(unit.promised).flatMap(([ref, tag]): readonly OnItsWay[] => {
      const part = parts.find(({ id }) => id === ref);
      const isOut = out.some(({ unitId, partRef }) => unitId === unit.id && partRef === ref);
      if (!part || isOut || !tags.includes(tag)) return [];
      return [{ interchange: part.interchange, for: tag, from: unit.tag, at: 'teardown' }];
    });
  });
  const between = kept.flatMap(({ tag: from, place, reservedFor, interchange }): readonly OnItsWay[] =>
    reservedFor !== undefined && tags.includes(reservedFor) && (place === 'grade' || place === 'to-shelve')
      ? [{ interchange, for: reservedFor, from, at: place }]
      : [],
  );
  return [...inside, ...between];
}
