import type { Hit } from '@/core/findings/hits';
import type { PartCategory } from '@/core/procedure/vocabulary';
import type { Grade } from '@/core/shared/grades';
import {
  limitsFor,
  measuredAttributes,
  startingGradingChoices,
  type ChosenAttribute,
  type GradingInstrument,
  type GradingRules,
  type Limits,
  type MeasuredAttribute,
} from '@/core/shared/gradingRules';

/** What was read off a part: a number with the attribute's unit, or one of its choices. */
export type Readings = Readonly<Record<string, number | string>>;

export type AttributeId = MeasuredAttribute | ChosenAttribute;

/** A single-use part is never used again, or only when its model's question is answered with yes. */
export type Reuse = 'never' | 'asked';

/** What grading asks of a part. */
export interface Gradable {
  readonly category: PartCategory;
  readonly interchange: string;
  /** What was found in its unit and concerns it. */
  readonly findings: readonly Hit[];
  /** Present on single-use parts. */
  readonly reuse?: Reuse | undefined;
}

/** A measured number. `limits` holds the last value still good enough for each grade; beyond D is X. */
export interface NumberAttribute {
  readonly kind: 'number';
  readonly id: MeasuredAttribute;
  readonly isOptional: boolean;
  readonly unit: string;
  readonly low: number;
  readonly high: number;
  readonly better: 'higher' | 'lower';
  readonly instrument: GradingInstrument;
  readonly plusMinus: number;
  readonly limits: Limits;
}

/** Something seen: one key a choice. */
export interface ChoiceAttribute {
  readonly kind: 'choice';
  readonly id: ChosenAttribute;
  readonly isOptional: boolean;
  readonly choices: readonly { readonly id: string; readonly grade: Grade }[];
}

export type Attribute = NumberAttribute | ChoiceAttribute;

/** The attributes of a category, in the order of reading them; what is optional counts when it was read. */
interface Asked {
  readonly first: readonly AttributeId[];
  readonly optional?: readonly AttributeId[];
}

/** By what each category of parts is graded: a category without a row does not compile. */
export const askedOf: Readonly<Record<PartCategory, Asked>> = {
  battery: {
    first: ['shape', 'freed', 'swellingMm', 'capacityShare', 'resistanceMilliOhm', 'cycles'],
    optional: ['imbalanceMilliVolt', 'restLossMilliVolt'],
  },
  display: { first: ['glass', 'picture', 'deadPixels', 'touchCoverage'], optional: ['scratchMicron'] },
  board: { first: ['starts', 'charges', 'radios', 'seats', 'liquid', 'lock', 'fixings'] },
  camera: { first: ['lens', 'image', 'focus'] },
  speaker: { first: ['sound', 'loudnessDb', 'mesh'] },
  microphone: { first: ['voice', 'pickUpDb', 'mesh'] },
  motor: { first: ['buzz', 'fixings'] },
  port: { first: ['link', 'hold', 'pins'] },
  keys: { first: ['deadKeys', 'press', 'legends'] },
  touchpad: { first: ['touchCoverage', 'press', 'wear'] },
  hinge: { first: ['hingeNewtonCm', 'play', 'fixings'] },
  housing: { first: ['wear', 'scratchMicron', 'dentMm', 'flatnessMm', 'fixings'], optional: ['leakMillibar'] },
  cover: { first: ['wear', 'flatnessMm', 'fixings'] },
  cooling: { first: ['spins', 'fanDb', 'fins'] },
  aerial: { first: ['reach', 'contacts'] },
  sensor: { first: ['reacts', 'contacts'] },
  drive: { first: ['readsAll', 'lifeShare', 'badBlocks'] },
  memory: { first: ['memoryErrors', 'contacts'] },
  cable: { first: ['conducts', 'folds', 'contacts'] },
  'cable-set': { first: ['conducts', 'folds', 'contacts'] },
  tray: { first: ['fit', 'wear'] },
  'clock-cell': { first: ['shape', 'restVolt'] },
};

export const isMeasured = (id: string): id is MeasuredAttribute => Object.hasOwn(measuredAttributes, id);
export const isChosen = (id: string): id is ChosenAttribute => Object.hasOwn(startingGradingChoices, id);

/** What a part is graded by, with the limits of the house for its class. */
export function attributesOf(
  part: Pick<Gradable, 'category' | 'interchange' | 'reuse'>,
  rules: GradingRules,
): readonly Attribute[] {
  const { first, optional = [] } = askedOf[part.category];
  const asked = part.reuse === 'asked' ? (['reuse', ...first] as const) : first;
  return [...asked, ...optional].map((id): Attribute =>
    attributeBy(rules, id, part.interchange, optional.includes(id)),
  );
}

/** One attribute, with the limits of the house. @param interchange  class of parts; the limits of all where it has none */
export function attributeBy(rules: GradingRules, id: AttributeId, interchange = '', isOptional = false): Attribute {
  if (isMeasured(id))
    return { kind: 'number', id, isOptional, ...measuredAttributes[id], limits: limitsFor(rules, id, interchange) };
  // In the order of the table: a document may have written them in any.
  const choices = Object.keys(startingGradingChoices[id]).map((choice) => ({
    id: choice,
    grade: rules.gradingChoices[id][choice] as Grade,
  }));
  return { kind: 'choice', id, isOptional, choices };
}
