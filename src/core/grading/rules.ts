import type { Grade } from '@/core/shared/grades';
import {
  measuredAttributes,
  type GradingLimits,
  type Limits,
  type MeasuredAttribute,
} from '@/core/shared/gradingLimits';
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
  readonly id: MeasuredAttribute;
  readonly unit: string;
  readonly low: number;
  readonly high: number;
  readonly better: 'higher' | 'lower';
  readonly limits: Limits;
}

/** Something seen: one key a choice. */
export interface ChoiceAttribute {
  readonly kind: 'choice';
  readonly id: AttributeId;
  readonly choices: readonly { readonly id: string; readonly grade: Grade }[];
}

export type Attribute = NumberAttribute | ChoiceAttribute;

const choice = (id: AttributeId, grades: Readonly<Record<string, Grade>>): ChoiceAttribute => ({
  kind: 'choice',
  id,
  choices: Object.entries(grades).map(([choiceId, grade]) => ({ id: choiceId, grade })),
});

/** An attribute of a category: a choice with its grades, or one that is measured, whose limits the house sets. */
type Asked = ChoiceAttribute | MeasuredAttribute;

const battery: readonly Asked[] = [
  'capacityShare',
  'cycles',
  'resistanceMilliOhm',
  choice('shape', { flat: 'A', bent: 'X', swollen: 'X' }),
];

const display: readonly Asked[] = [
  'deadPixels',
  'touchCoverage',
  choice('picture', { even: 'A', faint: 'B', burn: 'C', lines: 'X' }),
  choice('glass', { clean: 'A', hairline: 'B', scratched: 'C', chipped: 'D', cracked: 'X' }),
];

const board: readonly Asked[] = [
  choice('starts', { yes: 'A', no: 'X' }),
  choice('charges', { yes: 'A', no: 'X' }),
  choice('radios', { all: 'A', some: 'D', none: 'X' }),
  choice('seats', { whole: 'A', worn: 'C', lifted: 'X' }),
  choice('liquid', { none: 'A', dried: 'C', corroded: 'X' }),
  choice('lock', { free: 'A', locked: 'X' }),
];

/** Works or not, and how worn it looks. */
const plain: readonly Asked[] = [
  choice('works', { yes: 'A', no: 'X' }),
  choice('wear', { none: 'A', light: 'B', marked: 'C', heavy: 'D' }),
];

/** The attributes by which each category of parts is graded: a category without a row does not compile. */
const attributes: Readonly<Record<PartCategory, readonly Asked[]>> = {
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
  cooling: plain,
  aerial: plain,
  'clock-cell': plain,
  'cable-set': plain,
};

/** What a part of a category is graded by, with the limits of the house. */
export const attributesOf = (category: PartCategory, limits: GradingLimits): readonly Attribute[] =>
  attributes[category].map((asked) =>
    typeof asked === 'string'
      ? { kind: 'number', id: asked, ...measuredAttributes[asked], limits: limits[asked] }
      : asked,
  );
