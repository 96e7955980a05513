import type { Grade } from '@/core/shared/grades';
import type { PartCategory } from '@/core/procedure/vocabulary';

/** What was read off a part: a number with the attribute's unit, or one of its choices. */
export type Readings = Readonly<Record<string, number | string>>;

export const attributeIds = [
  'works',
  'wear',
  'capacityShare',
  'cycles',
  'resistanceMilliOhm',
  'shape',
  'deadPixels',
  'touchCoverage',
  'picture',
  'glass',
  'starts',
  'charges',
  'radios',
  'seats',
  'liquid',
  'lock',
] as const;
export type AttributeId = (typeof attributeIds)[number];

/** A measured number. `limits` holds the last value still good enough for each grade; beyond D is X. */
export interface NumberAttribute {
  readonly kind: 'number';
  readonly id: AttributeId;
  readonly unit: string;
  readonly low: number;
  readonly high: number;
  readonly better: 'higher' | 'lower';
  readonly limits: Readonly<Record<'A' | 'B' | 'C' | 'D', number>>;
}

/** Something seen: one key a choice. */
export interface ChoiceAttribute {
  readonly kind: 'choice';
  readonly id: AttributeId;
  readonly choices: readonly { readonly id: string; readonly grade: Grade }[];
}

export type Attribute = NumberAttribute | ChoiceAttribute;

export const gradingRulesVersion = 1;

const choice = (id: AttributeId, grades: Readonly<Record<string, Grade>>): ChoiceAttribute => ({
  kind: 'choice',
  id,
  choices: Object.entries(grades).map(([choiceId, grade]) => ({ id: choiceId, grade })),
});

const battery: readonly Attribute[] = [
  {
    kind: 'number',
    id: 'capacityShare',
    unit: '%',
    low: 0,
    high: 120,
    better: 'higher',
    limits: { A: 95, B: 88, C: 80, D: 80 },
  },
  {
    kind: 'number',
    id: 'cycles',
    unit: '',
    low: 0,
    high: 5000,
    better: 'lower',
    limits: { A: 150, B: 400, C: 700, D: 1000 },
  },
  {
    kind: 'number',
    id: 'resistanceMilliOhm',
    unit: 'mΩ',
    low: 0,
    high: 2000,
    better: 'lower',
    limits: { A: 90, B: 130, C: 180, D: 240 },
  },
  choice('shape', { flat: 'A', bent: 'X', swollen: 'X' }),
];

const display: readonly Attribute[] = [
  {
    kind: 'number',
    id: 'deadPixels',
    unit: '',
    low: 0,
    high: 999,
    better: 'lower',
    limits: { A: 0, B: 1, C: 3, D: 8 },
  },
  {
    kind: 'number',
    id: 'touchCoverage',
    unit: '%',
    low: 0,
    high: 100,
    better: 'higher',
    limits: { A: 100, B: 100, C: 100, D: 98 },
  },
  choice('picture', { even: 'A', faint: 'B', burn: 'C', lines: 'X' }),
  choice('glass', { clean: 'A', hairline: 'B', scratched: 'C', chipped: 'D', cracked: 'X' }),
];

const board: readonly Attribute[] = [
  choice('starts', { yes: 'A', no: 'X' }),
  choice('charges', { yes: 'A', no: 'X' }),
  choice('radios', { all: 'A', some: 'D', none: 'X' }),
  choice('seats', { whole: 'A', worn: 'C', lifted: 'X' }),
  choice('liquid', { none: 'A', dried: 'C', corroded: 'X' }),
  choice('lock', { free: 'A', locked: 'X' }),
];

/** Works or not, and how worn it looks. */
const plain: readonly Attribute[] = [
  choice('works', { yes: 'A', no: 'X' }),
  choice('wear', { none: 'A', light: 'B', marked: 'C', heavy: 'D' }),
];

/** The attributes by which each category of parts is graded: a category without a row does not compile. */
const attributes: Readonly<Record<PartCategory, readonly Attribute[]>> = {
  battery,
  display,
  board,
  camera: plain,
  speaker: plain,
  port: plain,
  keys: plain,
  housing: plain,
  motor: plain,
  drive: plain,
  memory: plain,
  cover: plain,
  sensor: plain,
  hinge: plain,
  cable: plain,
  tray: plain,
};

export const attributesOf = (category: PartCategory): readonly Attribute[] => attributes[category];
