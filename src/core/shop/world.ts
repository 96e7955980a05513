import type { HouseRules } from '@/core/shared/houseRules';
import type { Model } from '@/core/procedure/model';
import type { Entities, EntityKind, ParcelLine, Part, Unit } from '../entities/entities';

/** What an entity was before a fact, so that taking it back restores exactly that. */
export interface Touched<K extends EntityKind = EntityKind> {
  readonly kind: K;
  readonly id: string;
  readonly before: Entities[K] | null;
}

/** What applying a fact may look at. The database and the browser each fill it with what the fact involves. */
export interface World {
  /** Facts of the log are applied as they were taken: rules that came later do not refuse them. */
  readonly isPast: boolean;
  find<K extends EntityKind>(kind: K, id: string): Entities[K] | undefined;
  findModel(id: string, version: number): Model | undefined;
  /** The house rules of today, and those of a version. */
  readonly rules: HouseRules;
  findRules(version: number): HouseRules | undefined;
  /** Parts that came out of a unit, as far as they are known here; the server knows them when a fact involves them. */
  partsOf(unitId: string): readonly Part[];
  /** Units already tagged in a parcel. */
  countUnits(parcelId: string): number;
  /** The list of a parcel, as far as it is known here; the server knows all of it when a fact involves it. */
  linesOf(parcelId: string): readonly ParcelLine[];
  findUnitByLine(parcelId: string, lineNo: number): Unit | undefined;
  /** A unit of the shop with this serial that has not been sent. */
  findUnitBySerial(serial: string): Unit | undefined;
  /** A unit whose timer runs on this fixture. */
  findUnitOnFixture(fixture: string, place: number): Unit | undefined;
  /** A serial that somebody reported lost. Reports are no facts: a replay, which judges nothing anew, knows of none. */
  isReportedLost(serial: string): boolean;
  hasParcelCode(code: string): boolean;
  /** What a recorded fact touched, and whether it was taken back already. */
  findRecorded(factId: string): { readonly touched: readonly Touched[]; readonly isUndone: boolean } | undefined;
}

/** One change that a fact makes. `before` null makes a thing, `after` null takes it away. */
export type Change = {
  [K in EntityKind]: {
    readonly kind: K;
    readonly id: string;
    readonly before: Entities[K] | null;
    readonly after: Entities[K] | null;
  };
}[EntityKind];

export const unitChange = (before: Unit | null, after: Unit): Change => ({ kind: 'unit', id: after.id, before, after });
export const partChange = (before: Part | null, after: Part): Change => ({ kind: 'part', id: after.id, before, after });

/** What people call a thing: its tag, or a parcel's name. */
export const nameOf = (thing: Entities[EntityKind]): string =>
  'tag' in thing ? thing.tag : 'code' in thing ? thing.code : String(thing.lineNo);
