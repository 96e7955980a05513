import { gradeRank, type Grade } from './grades';

/** Grades that a measured number can reach; what is beyond D is X. */
export const limitedGrades = ['A', 'B', 'C', 'D'] as const;

/** The last value still good enough for each grade. */
export type Limits = Readonly<Record<(typeof limitedGrades)[number], number>>;

/** Instruments that read a number off a part; `hand` is counting and looking. */
export const gradingInstruments = [
  'analyser',
  'calliper',
  'flatness-gauge',
  'surface-probe',
  'torque-driver',
  'sound-level',
  'leak-tester',
  'scale',
  'screen',
  'hand',
] as const;
export type GradingInstrument = (typeof gradingInstruments)[number];

interface Measured {
  readonly unit: string;
  /** What an instrument can say at all. */
  readonly low: number;
  readonly high: number;
  readonly better: 'higher' | 'lower';
  readonly instrument: GradingInstrument;
  /** Half of the interval in which 95 of 100 readings of the same thing lie, where the instrument says no other. */
  readonly plusMinus: number;
}

const measured = <const T extends Readonly<Record<string, Measured>>>(all: T) => all;

/** Attributes that are measured. The shop sets their limits, the instruments their range. */
export const measuredAttributes = measured({
  capacityShare: { unit: '%', low: 0, high: 120, better: 'higher', instrument: 'analyser', plusMinus: 1.5 },
  cycles: { unit: '', low: 0, high: 5000, better: 'lower', instrument: 'hand', plusMinus: 0 },
  resistanceMilliOhm: { unit: 'mΩ', low: 0, high: 2000, better: 'lower', instrument: 'analyser', plusMinus: 4 },
  swellingMm: { unit: 'mm', low: -2, high: 20, better: 'lower', instrument: 'calliper', plusMinus: 0.05 },
  imbalanceMilliVolt: { unit: 'mV', low: 0, high: 2000, better: 'lower', instrument: 'analyser', plusMinus: 2 },
  restLossMilliVolt: { unit: 'mV', low: 0, high: 2000, better: 'lower', instrument: 'analyser', plusMinus: 2 },
  deadPixels: { unit: '', low: 0, high: 999, better: 'lower', instrument: 'screen', plusMinus: 0 },
  touchCoverage: { unit: '%', low: 0, high: 100, better: 'higher', instrument: 'screen', plusMinus: 0 },
  scratchMicron: { unit: 'µm', low: 0, high: 2000, better: 'lower', instrument: 'surface-probe', plusMinus: 1.5 },
  dentMm: { unit: 'mm', low: 0, high: 30, better: 'lower', instrument: 'calliper', plusMinus: 0.05 },
  flatnessMm: { unit: 'mm', low: 0, high: 20, better: 'lower', instrument: 'flatness-gauge', plusMinus: 0.03 },
  leakMillibar: { unit: 'mbar', low: 0, high: 500, better: 'lower', instrument: 'leak-tester', plusMinus: 0.5 },
  loudnessDb: { unit: 'dB', low: 0, high: 140, better: 'higher', instrument: 'sound-level', plusMinus: 1 },
  pickUpDb: { unit: 'dB', low: 0, high: 120, better: 'lower', instrument: 'sound-level', plusMinus: 1 },
  fanDb: { unit: 'dB', low: 0, high: 140, better: 'lower', instrument: 'sound-level', plusMinus: 1 },
  deadKeys: { unit: '', low: 0, high: 200, better: 'lower', instrument: 'screen', plusMinus: 0 },
  hingeNewtonCm: { unit: 'N·cm', low: 0, high: 500, better: 'higher', instrument: 'torque-driver', plusMinus: 1.5 },
  lifeShare: { unit: '%', low: 0, high: 100, better: 'higher', instrument: 'hand', plusMinus: 0 },
  badBlocks: { unit: '', low: 0, high: 100000, better: 'lower', instrument: 'hand', plusMinus: 0 },
  memoryErrors: { unit: '', low: 0, high: 1000000, better: 'lower', instrument: 'hand', plusMinus: 0 },
  restVolt: { unit: 'V', low: 0, high: 20, better: 'higher', instrument: 'hand', plusMinus: 0.01 },
});

export type MeasuredAttribute = keyof typeof measuredAttributes;
export type GradingLimits = Readonly<Record<MeasuredAttribute, Limits>>;

/** Cell makers usually end the life of a cell at 80 % of its rated capacity: the limit for sale begins there. */
export const startingGradingLimits: GradingLimits = {
  capacityShare: { A: 95, B: 88, C: 80, D: 80 },
  cycles: { A: 150, B: 400, C: 700, D: 1000 },
  resistanceMilliOhm: { A: 90, B: 130, C: 180, D: 240 },
  swellingMm: { A: 0.1, B: 0.2, C: 0.35, D: 0.5 },
  imbalanceMilliVolt: { A: 15, B: 30, C: 60, D: 100 },
  restLossMilliVolt: { A: 5, B: 10, C: 20, D: 30 },
  deadPixels: { A: 0, B: 1, C: 3, D: 8 },
  touchCoverage: { A: 100, B: 100, C: 100, D: 98 },
  scratchMicron: { A: 2, B: 8, C: 25, D: 80 },
  dentMm: { A: 0.1, B: 0.3, C: 0.8, D: 1.5 },
  flatnessMm: { A: 0.15, B: 0.3, C: 0.6, D: 1 },
  leakMillibar: { A: 2, B: 4, C: 8, D: 15 },
  loudnessDb: { A: 74, B: 71, C: 67, D: 62 },
  pickUpDb: { A: 30, B: 34, C: 39, D: 45 },
  fanDb: { A: 36, B: 39, C: 43, D: 47 },
  deadKeys: { A: 0, B: 0, C: 0, D: 1 },
  hingeNewtonCm: { A: 38, B: 32, C: 26, D: 20 },
  lifeShare: { A: 95, B: 85, C: 70, D: 50 },
  badBlocks: { A: 0, B: 0, C: 8, D: 50 },
  memoryErrors: { A: 0, B: 0, C: 0, D: 0 },
  restVolt: { A: 3, B: 2.95, C: 2.9, D: 2.8 },
};

/** Attributes that are seen: their choices from good to bad, each with the grade a shop begins with. */
export const startingGradingChoices = {
  shape: { flat: 'A', bent: 'X', swollen: 'X' },
  freed: { strip: 'A', unfastened: 'A', solvent: 'A', warmed: 'B', pried: 'X' },
  picture: { even: 'A', faint: 'B', burn: 'C', lines: 'X' },
  glass: { clean: 'A', hairline: 'B', scratched: 'C', chipped: 'D', cracked: 'X' },
  starts: { yes: 'A', no: 'X' },
  charges: { yes: 'A', no: 'X' },
  radios: { all: 'A', some: 'D', none: 'X' },
  seats: { whole: 'A', worn: 'C', lifted: 'X' },
  liquid: { none: 'A', dried: 'C', corroded: 'X' },
  lock: { free: 'A', locked: 'X' },
  fixings: { whole: 'A', straightened: 'C', bent: 'D', torn: 'X' },
  wear: { none: 'A', light: 'B', marked: 'C', heavy: 'D' },
  focus: { sharp: 'A', slow: 'C', none: 'X' },
  image: { clean: 'A', specks: 'C', stains: 'D', none: 'X' },
  lens: { clear: 'A', dust: 'B', scratched: 'C', cracked: 'X' },
  sound: { clear: 'A', thin: 'C', rattles: 'D', silent: 'X' },
  voice: { clear: 'A', hum: 'C', crackles: 'D', silent: 'X' },
  mesh: { clean: 'A', dusty: 'B', torn: 'D' },
  buzz: { strong: 'A', weak: 'C', grinds: 'D', none: 'X' },
  link: { both: 'A', 'charge-only': 'D', none: 'X' },
  hold: { firm: 'A', loose: 'C', 'falls-out': 'X' },
  pins: { clean: 'A', worn: 'B', green: 'D', bent: 'X' },
  press: { even: 'A', soft: 'B', sticks: 'D', none: 'X' },
  legends: { clear: 'A', worn: 'B', gone: 'D' },
  play: { none: 'A', slight: 'B', wobbles: 'D' },
  spins: { freely: 'A', slow: 'D', stops: 'X' },
  fins: { straight: 'A', bent: 'C', crushed: 'D' },
  reach: { strong: 'A', weak: 'D', none: 'X' },
  reacts: { yes: 'A', slow: 'C', no: 'X' },
  contacts: { clean: 'A', worn: 'B', green: 'D', torn: 'X' },
  readsAll: { yes: 'A', slow: 'C', no: 'X' },
  conducts: { all: 'A', 'when-moved': 'X', none: 'X' },
  folds: { none: 'A', soft: 'B', sharp: 'D', torn: 'X' },
  fit: { slides: 'A', sticks: 'C', falls: 'X' },
  reuse: { yes: 'A', no: 'X' },
} as const satisfies Readonly<Record<string, Readonly<Record<string, Grade>>>>;

export type ChosenAttribute = keyof typeof startingGradingChoices;
export type GradingChoices = Readonly<Record<ChosenAttribute, Readonly<Record<string, Grade>>>>;

/** Choices whose grade is not the house's to set: a cell that was bent, pried or is swollen is never more than scrap. */
export const settledChoices: readonly `${ChosenAttribute}.${string}`[] = [
  'shape.bent',
  'shape.swollen',
  'freed.pried',
  'lock.locked',
  'conducts.when-moved',
  'reuse.no',
];

/** Limits of one class of parts, in the place of those of all: a thick hinge holds harder than a thin one. */
export interface ClassLimits {
  readonly interchange: string;
  readonly attribute: MeasuredAttribute;
  readonly limits: Limits;
}

/** By what parts are graded: the house rules of grading. */
export interface GradingRules {
  readonly gradingLimits: GradingLimits;
  readonly gradingChoices: GradingChoices;
  readonly classLimits: readonly ClassLimits[];
}

export const startingGradingRules: GradingRules = {
  gradingLimits: startingGradingLimits,
  gradingChoices: startingGradingChoices,
  classLimits: [],
};

/** The limits of an attribute for a class of parts. */
export const limitsFor = (rules: GradingRules, attribute: MeasuredAttribute, interchange: string): Limits =>
  rules.classLimits.find((own) => own.interchange === interchange && own.attribute === attribute)?.limits ??
  rules.gradingLimits[attribute];

/** Whether limits can be used: in the instrument's range, and none stricter than the one before it (a gap or an overlap). */
export function areUsable(attribute: MeasuredAttribute, limits: Limits): boolean {
  const { low, high, better } = measuredAttributes[attribute];
  const values = limitedGrades.map((grade) => limits[grade]);
  const falls = better === 'higher' ? values : values.map((value) => -value);
  return (
    values.every((value) => value >= low && value <= high) &&
    falls.every((value, at) => at === 0 || value <= (falls[at - 1] as number))
  );
}

/** The first measured attribute whose limits are not in order or outside its range; undefined when all can be used. */
export const unusableLimits = (limits: GradingLimits): MeasuredAttribute | undefined =>
  (Object.keys(measuredAttributes) as MeasuredAttribute[]).find(
    (attribute) => !areUsable(attribute, limits[attribute]),
  );

export type GradingFault = 'order' | 'settled' | 'not-falling' | 'twice';

/**
 * What is wrong with rules of grading: limits out of order (one reading would have two grades, or none), a settled choice that
 * was changed, choices that get better as they get worse, or two sets of limits for one class.
 *
 * @returns the place of the first fault, as a path into the rules; undefined when there is none
 */
export function gradingFault({
  gradingLimits,
  gradingChoices,
  classLimits,
}: GradingRules): { readonly place: string; readonly fault: GradingFault } | undefined {
  const limits = unusableLimits(gradingLimits);
  if (limits) return { place: `gradingLimits.${limits}`, fault: 'order' };
  for (const [attribute, starting] of Object.entries(startingGradingChoices)) {
    const ranks: number[] = [];
    for (const [choice, settled] of Object.entries(starting)) {
      const grade = gradingChoices[attribute as ChosenAttribute][choice] as Grade;
      const place = `gradingChoices.${attribute}.${choice}` as const;
      if (isSettled(attribute as ChosenAttribute, choice) && grade !== settled) return { place, fault: 'settled' };
      if (ranks.some((rank) => rank > gradeRank(grade))) return { place, fault: 'not-falling' };
      ranks.push(gradeRank(grade));
    }
  }
  const seen = new Set<string>();
  for (const [at, own] of classLimits.entries()) {
    const key = `${own.interchange} ${own.attribute}`;
    if (seen.has(key)) return { place: `classLimits.${at}`, fault: 'twice' };
    seen.add(key);
    if (!areUsable(own.attribute, own.limits)) return { place: `classLimits.${at}`, fault: 'order' };
  }
  return undefined;
}

export const isSettled = (attribute: ChosenAttribute, choice: string): boolean =>
  settledChoices.includes(`${attribute}.${choice}`);
