import {
  isSettled,
  limitedGrades,
  measuredAttributes,
  startingGradingChoices,
  type ChosenAttribute,
  type ClassLimits,
  type Limits,
  type MeasuredAttribute,
} from '@/core/shared/gradingRules';
import { grades } from '@/core/shared/grades';
import { schoolChoices, type SchoolId } from '@/core/shared/schools';
import { fixtureKinds, screwKeepings, type FixtureKind, type HouseRules } from '@/core/shared/houseRules';

/** The rules that are one value each, as somebody changes them. */
export type EditableRules = Omit<HouseRules, 'version'>;

type NumberRule =
  | 'labourCentsPerMinute'
  | 'asIsShare'
  | 'recycleCents'
  | 'purchaseFactor'
  | 'monthlyLoss'
  | 'surplusShare'
  | 'toolChangeMinutes'
  | 'turnMinutes'
  | 'moveMinutes'
  | 'handOverMinutes'
  | 'trayCups'
  | 'roomCelsius';

export type RuleId =
  | NumberRule
  | `shop.${keyof HouseRules['shop']}`
  | `gradeMix.${keyof HouseRules['gradeMix']}`
  | `saleGradeShift.${keyof HouseRules['saleGradeShift']}`
  | `schools.${SchoolId}`
  | `fixtures.${FixtureKind}`
  | `selling.${keyof HouseRules['selling']}`
  | `manyAlike.${keyof HouseRules['manyAlike']}`
  | `sessions.${keyof HouseRules['sessions']}`
  | `label.${keyof HouseRules['label']}`
  | `gradingLimits.${MeasuredAttribute}.${keyof Limits}`
  | `gradingChoices.${ChosenAttribute}.${string}`
  | 'classLimits'
  | 'screwsIn'
  | 'isRehearsalAsked'
  | 'isCertificateAsked'
  | 'missingTools';

export const ruleSections = [
  'shop',
  'schools',
  'grading',
  'tools',
  'money',
  'times',
  'screws',
  'safety',
  'expectations',
] as const;
export type RuleSection = (typeof ruleSections)[number];

/** How a rule is written: `money` is cents, `share` from 0 to 1 as per cent; `isNullable` may be left empty. */
export type RuleKind =
  | {
      readonly is: 'text' | 'money' | 'share' | 'minutes' | 'number' | 'celsius' | 'millimetres';
      readonly isNullable?: true;
    }
  | { readonly is: 'choice'; readonly among: readonly string[] }
  /** Any of the names that the models know; written one a line. */
  | { readonly is: 'names' }
  /** Limits of classes of parts, one a line: class, attribute, and the limits from A to D. */
  | { readonly is: 'class-limits' };

export type RuleValue = string | number | boolean | null;

export interface RuleField {
  readonly id: RuleId;
  readonly section: RuleSection;
  readonly kind: RuleKind;
  /** Fields that stand on one row and are read together. */
  readonly row?: RuleRowId;
}

/** Rows of more than one field. */
export type RuleRowId = 'gradeMix' | `gradingLimits.${MeasuredAttribute}` | `gradingChoices.${ChosenAttribute}`;

const share = { is: 'share' } as const;
const minutes = { is: 'minutes' } as const;
const money = { is: 'money' } as const;
const text = { is: 'text' } as const;

const schoolFields = (Object.keys(schoolChoices) as SchoolId[]).map((school): RuleField => {
  return { id: `schools.${school}`, section: 'schools', kind: { is: 'choice', among: schoolChoices[school] } };
});

const limitFields = (Object.keys(measuredAttributes) as MeasuredAttribute[]).flatMap((attribute) =>
  limitedGrades.map((grade): RuleField => {
    const row = `gradingLimits.${attribute}` as const;
    return { id: `${row}.${grade}`, section: 'grading', kind: { is: 'number' }, row };
  }),
);

const choiceFields = (Object.keys(startingGradingChoices) as ChosenAttribute[]).flatMap((attribute) =>
  Object.keys(startingGradingChoices[attribute]).map((choice): RuleField => {
    const row = `gradingChoices.${attribute}` as const;
    const among = isSettled(attribute, choice) ? (['X'] as const) : grades;
    return { id: `${row}.${choice}`, section: 'grading', kind: { is: 'choice', among }, row };
  }),
);

const fixtureFields = fixtureKinds.map((kind): RuleField => {
  return { id: `fixtures.${kind}`, section: 'times', kind: { is: 'number', isNullable: true } };
});

/** Every rule of the house, in the order in which a screen shows them. */
export const ruleFields: readonly RuleField[] = [
  { id: 'shop.name', section: 'shop', kind: text },
  { id: 'shop.address', section: 'shop', kind: { is: 'text', isNullable: true } },
  { id: 'shop.currency', section: 'shop', kind: text },
  { id: 'shop.language', section: 'shop', kind: text },
  { id: 'shop.timeZone', section: 'shop', kind: text },
  { id: 'label.widthMm', section: 'shop', kind: { is: 'millimetres' } },
  { id: 'label.heightMm', section: 'shop', kind: { is: 'millimetres' } },
  ...schoolFields,
  ...limitFields,
  ...choiceFields,
  { id: 'classLimits', section: 'grading', kind: { is: 'class-limits' } },
  { id: 'missingTools', section: 'tools', kind: { is: 'names' } },
  { id: 'labourCentsPerMinute', section: 'money', kind: money },
  { id: 'purchaseFactor', section: 'money', kind: { is: 'number' } },
  { id: 'asIsShare', section: 'money', kind: share },
  { id: 'recycleCents', section: 'money', kind: money },
  { id: 'selling.feeShare', section: 'money', kind: share },
  { id: 'selling.perUnitCents', section: 'money', kind: money },
  { id: 'manyAlike.after', section: 'money', kind: { is: 'number', isNullable: true } },
  { id: 'manyAlike.lessShare', section: 'money', kind: share },
  { id: 'monthlyLoss', section: 'money', kind: share },
  { id: 'surplusShare', section: 'money', kind: share },
  { id: 'toolChangeMinutes', section: 'times', kind: minutes },
  { id: 'turnMinutes', section: 'times', kind: minutes },
  { id: 'moveMinutes', section: 'times', kind: minutes },
  { id: 'handOverMinutes', section: 'times', kind: { is: 'minutes', isNullable: true } },
  ...fixtureFields,
  { id: 'screwsIn', section: 'screws', kind: { is: 'choice', among: screwKeepings } },
  { id: 'trayCups', section: 'screws', kind: { is: 'number' } },
  { id: 'isRehearsalAsked', section: 'safety', kind: { is: 'choice', among: ['yes', 'no'] } },
  { id: 'isCertificateAsked', section: 'safety', kind: { is: 'choice', among: ['yes', 'no'] } },
  { id: 'sessions.idleMinutes', section: 'safety', kind: minutes },
  { id: 'sessions.longestHours', section: 'safety', kind: { is: 'number' } },
  { id: 'roomCelsius', section: 'safety', kind: { is: 'celsius' } },
  { id: 'gradeMix.A', section: 'expectations', kind: share, row: 'gradeMix' },
  { id: 'gradeMix.B', section: 'expectations', kind: share, row: 'gradeMix' },
  { id: 'gradeMix.C', section: 'expectations', kind: share, row: 'gradeMix' },
  { id: 'gradeMix.D', section: 'expectations', kind: share, row: 'gradeMix' },
  { id: 'saleGradeShift.better', section: 'expectations', kind: share },
  { id: 'saleGradeShift.worse', section: 'expectations', kind: share },
];

/** What stands at a path in a document. */
const at = (document: unknown, path: readonly string[]): unknown =>
  path.reduce((inner: unknown, name) => Reflect.get(Object(inner), name), document);

/** A copy of a document with another value at a path; all beside it is not touched. */
function put(document: unknown, [name, ...rest]: readonly string[], value: unknown): unknown {
  if (name === undefined) return value;
  return { ...Object(document), [name]: put(Reflect.get(Object(document), name), rest, value) };
}

/** The value of one rule; a switch is 'yes' or 'no'. */
export function ruleValue(rules: EditableRules, id: RuleId): RuleValue {
  const value = at(rules, id.split('.'));
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (id === 'classLimits') return rules.classLimits.map(writeClassLimits).join('\n');
  if (Array.isArray(value)) return value.join('\n');
  return typeof value === 'string' || typeof value === 'number' ? value : null;
}

/** The rules with one of them changed; the others are not touched. */
export function withRule(rules: EditableRules, id: RuleId, value: RuleValue): EditableRules {
  const path = id.split('.');
  const was = at(rules, path);
  const names = () =>
    String(value ?? '')
      .split('\n')
      .filter(Boolean);
  if (id === 'classLimits') return { ...rules, classLimits: names().map(readClassLimits) };
  const kept = typeof was === 'boolean' ? value === 'yes' : Array.isArray(was) ? names() : value;
  return put(rules, path, kept) as EditableRules;
}

const writeClassLimits = ({ interchange, attribute, limits }: ClassLimits): string =>
  [interchange, attribute, ...limitedGrades.map((grade) => limits[grade])].join(' ');

function readClassLimits(line: string): ClassLimits {
  const [interchange = '', attribute, ...values] = line.split(' ');
  const limits = Object.fromEntries(limitedGrades.map((grade, at) => [grade, Number(values[at])])) as unknown as Limits;
  return { interchange, attribute: attribute as MeasuredAttribute, limits };
}

export interface RuleChange {
  readonly id: RuleId;
  readonly from: RuleValue;
  readonly to: RuleValue;
}

/** What is different, in the order of the fields. */
export const ruleChanges = (before: EditableRules, after: EditableRules): readonly RuleChange[] =>
  ruleFields.flatMap(({ id }) => {
    const [from, to] = [ruleValue(before, id), ruleValue(after, id)];
    return from === to ? [] : [{ id, from, to }];
  });

/** The numbers a rule of a kind is written in: per cent for shares, whole currency units for money. */
export const perWritten: Readonly<
  Record<Exclude<RuleKind['is'], 'text' | 'choice' | 'names' | 'class-limits'>, number>
> = {
  money: 100,
  share: 0.01,
  minutes: 1,
  number: 1,
  celsius: 1,
  millimetres: 1,
};

/**
 * What somebody typed for a rule, as the rule keeps it: money in whole cents.
 *
 * @param numberOf  reads a number as the shop writes numbers
 * @returns undefined when it cannot be read; null for nothing, where nothing is allowed
 */
export function readRule(
  kind: RuleKind,
  typed: string,
  numberOf: (typed: string) => number | undefined,
): RuleValue | undefined {
  const trimmed = typed.trim();
  if (kind.is === 'choice') return kind.among.includes(trimmed) ? trimmed : undefined;
  const isLines = kind.is === 'names' || kind.is === 'class-limits';
  if (isLines && trimmed === '') return '';
  if (trimmed === '') return 'isNullable' in kind ? null : undefined;
  if (kind.is === 'text' || isLines) return trimmed;
  const value = numberOf(trimmed);
  if (value === undefined || value >= 1e7) return undefined;
  if (kind.is === 'money') return Math.round(value * perWritten.money);
  // To a millionth, so that 8.5 % is 0.085 and not a hair beside it.
  return Math.round(value * perWritten[kind.is] * 1e6) / 1e6;
}
