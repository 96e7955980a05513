import { startingHouseRules } from '@/core/shared/houseRules';

/** What a shop has so far, counted. */
export interface ShopSoFar {
  readonly shopName: string;
  readonly people: number;
  readonly models: number;
  readonly parcels: number;
  readonly units: number;
  /** Units that were decided at triage. */
  readonly decided: number;
  /** Parts that came out of units, and those of them that have a grade. */
  readonly parts: number;
  readonly graded: number;
  /** Units that were released for sale. */
  readonly released: number;
}

export const firstHourSteps = [
  'name-shop',
  'add-people',
  'take-models',
  'make-parcel',
  'tag-unit',
  'decide-unit',
  'take-apart',
  'grade-part',
  'release-unit',
] as const;
export type FirstHourStep = (typeof firstHourSteps)[number];

export interface FirstHourEntry {
  readonly step: FirstHourStep;
  readonly isDone: boolean;
  /** How many there are of what the step makes; null where that is no number. */
  readonly count: number | null;
  /** Whether it takes a lead. */
  readonly isForLeads: boolean;
  readonly path: string;
}

/**
 * The way from an empty shop to a first unit for sale. Each step is done by what is there, however it came there, and
 * counts for nothing else: whoever begins with a parcel is led to the models afterwards.
 */
export function firstHour(shop: ShopSoFar): readonly FirstHourEntry[] {
  const counted = (step: FirstHourStep, path: string, count: number, from = 1, isForLeads = false): FirstHourEntry => ({
    step,
    isDone: count >= from,
    count,
    isForLeads,
    path,
  });
  return [
    {
      step: 'name-shop',
      isDone: shop.shopName !== startingHouseRules.shop.name,
      count: null,
      isForLeads: true,
      path: '/rules',
    },
    // Alone one is a shop too, but a second pair of eyes grades.
    counted('add-people', '/people', shop.people, 2, true),
    counted('take-models', '/models', shop.models, 1, true),
    counted('make-parcel', '/dock', shop.parcels),
    counted('tag-unit', '/dock', shop.units),
    counted('decide-unit', '/triage', shop.decided),
    counted('take-apart', '/teardown', shop.parts),
    counted('grade-part', '/grade', shop.graded),
    counted('release-unit', '/match', shop.released),
  ];
}
