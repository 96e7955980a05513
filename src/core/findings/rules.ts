import type { Minutes } from '@/core/procedure/operations';
import type { Finding, PartCategory } from '@/core/procedure/vocabulary';
import type { Grade } from '@/core/shared/grades';

/** What a standing finding can forbid. */
export const deeds = ['sell-as-is', 'wipe', 'prove', 'send'] as const;
export type Deed = (typeof deeds)[number];

type ByCategory<T> = Readonly<Partial<Record<PartCategory, T>>>;

/** Everything that a finding means. Whatever asks about findings reads this table and nothing else. */
export interface FindingRule {
  /** Where it does harm: to what lies under its mark, or anywhere in the unit. */
  readonly reach: 'under-mark' | 'unit';
  /** Of one that came to light without a mark: what it is taken to have hit. */
  readonly unmarkedHits: readonly PartCategory[] | 'all';
  /** The best grade a part can still have, in the unit and out of it; X makes it scrap and asks for another. */
  readonly caps: ByCategory<Grade>;
  /** Of a depth: from so many millimetres on these hold instead. */
  readonly deep: { readonly fromMm: number; readonly caps: ByCategory<Grade> } | null;
  /** Factor on the chance that a part comes out good, until the log knows this model with this finding. */
  readonly odds: ByCategory<number>;
  /** Factor on the minutes of operations of which the model says nothing else. */
  readonly minutesFactor: number;
  /** The sheet stops until an authorised person says that it is safe. */
  readonly haltsSheet: boolean;
  /** Where a unit with it is kept apart, when it is kept apart; one that must be is proposed for nothing else. */
  readonly unitPlace: 'hazard' | null;
  readonly mustKeepApart: boolean;
  /** Where a cell that comes out of the unit goes. */
  readonly cellPlace: 'hazard' | null;
  readonly forbids: readonly Deed[];
  /** What an authorised person must have said for it to be over. */
  readonly settledBy: 'made-safe' | null;
  /** It is over as well once every part that it made scrap is replaced. */
  readonly isOverWhenReplaced: boolean;
  /** The check before anything goes back. */
  readonly gate: { readonly id: string; readonly minutes: Minutes } | null;
  /** Whether the papers of a unit that is sold speak of it. */
  readonly isStated: boolean;
}

const plain: FindingRule = {
  reach: 'unit',
  unmarkedHits: 'all',
  caps: {},
  deep: null,
  odds: {},
  minutesFactor: 1,
  haltsSheet: false,
  unitPlace: null,
  mustKeepApart: false,
  cellPlace: null,
  forbids: [],
  settledBy: null,
  isOverWhenReplaced: false,
  gate: null,
  isStated: false,
};

/** What is most dangerous first: checks on the way back come in this order. Grades, odds and minutes are our own estimates. */
export const findingRules: Readonly<Record<Finding, FindingRule>> = {
  swelling: {
    ...plain,
    // It pressed on what lies over it.
    caps: { battery: 'X', display: 'B', keys: 'B', housing: 'B', cover: 'B' },
    odds: { display: 0.9, keys: 0.95, housing: 0.95 },
    minutesFactor: 1.15,
    haltsSheet: true,
    unitPlace: 'hazard',
    mustKeepApart: true,
    cellPlace: 'hazard',
    forbids: ['sell-as-is', 'wipe', 'prove', 'send'],
    settledBy: 'made-safe',
    isOverWhenReplaced: true,
    gate: { id: 'flat-after-swelling', minutes: { low: 2, likely: 3, high: 6 } },
    isStated: true,
  },
  liquid: {
    ...plain,
    // Corrosion comes later, wherever current or sound goes through.
    caps: {
      board: 'C',
      port: 'C',
      speaker: 'C',
      camera: 'C',
      sensor: 'C',
      keys: 'C',
      cable: 'C',
      motor: 'C',
      display: 'C',
      drive: 'C',
      memory: 'C',
    },
    odds: { board: 0.7, port: 0.75, speaker: 0.8, camera: 0.85, sensor: 0.85, keys: 0.8, display: 0.85 },
    gate: { id: 'dry-after-liquid', minutes: { low: 2, likely: 4, high: 8 } },
    isStated: true,
  },
  'opened-before': {
    ...plain,
    gate: { id: 'right-after-others', minutes: { low: 1, likely: 2, high: 5 } },
    isStated: true,
  },
  dent: {
    ...plain,
    reach: 'under-mark',
    unmarkedHits: ['housing', 'cover'],
    caps: { housing: 'C', cover: 'C' },
    deep: { fromMm: 3, caps: { housing: 'D', cover: 'D' } },
    odds: { housing: 0.9, display: 0.95 },
    gate: { id: 'true-after-dent', minutes: { low: 1, likely: 2, high: 6 } },
  },
  crack: {
    ...plain,
    reach: 'under-mark',
    // What cracks without anybody having seen it from outside is the panel.
    unmarkedHits: ['display'],
    caps: { display: 'X', housing: 'D', cover: 'D' },
    isOverWhenReplaced: true,
  },
  'screw-missing': plain,
  'part-missing': plain,
};

/** A dent grows by this with each mark on the same place, and no deeper than that. */
export const dentDepthMm = { perMark: 1, deepest: 9 } as const;
