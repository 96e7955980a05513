import type { Grade } from '@/core/shared/grades';
import type { PartCategory } from '@/core/procedure/vocabulary';

/** What was read off a part: a number with the attribute's unit, or one of its choices. */
export type Readings = Readonly<Record<string, number | string>>;

interface AttributeBase {
  readonly id: string;
  readonly name: string;
  /** How to measure it, in a line. */
  readonly how: string;
}

/** A measured number. `limits` holds the last value still good enough for each grade; beyond D is X. */
export interface NumberAttribute extends AttributeBase {
  readonly kind: 'number';
  readonly unit: string;
  readonly low: number;
  readonly high: number;
  readonly better: 'higher' | 'lower';
  readonly limits: Readonly<Record<'A' | 'B' | 'C' | 'D', number>>;
}

/** Something seen: one key a choice. */
export interface ChoiceAttribute extends AttributeBase {
  readonly kind: 'choice';
  readonly choices: readonly { readonly id: string; readonly name: string; readonly grade: Grade }[];
}

export type Attribute = NumberAttribute | ChoiceAttribute;

export const gradingRulesVersion = 1;

const choice = (id: string, name: string, how: string, ...choices: [string, string, Grade][]): ChoiceAttribute => ({
  kind: 'choice',
  id,
  name,
  how,
  choices: choices.map(([choiceId, choiceName, grade]) => ({ id: choiceId, name: choiceName, grade })),
});

const works = choice('works', 'Works', 'Try it on the test jig.', ['yes', 'works', 'A'], ['no', 'fails', 'X']);
const wear = choice(
  'wear',
  'Wear',
  'Look at it under the lamp, at arm’s length, then close.',
  ['none', 'none', 'A'],
  ['light', 'light', 'B'],
  ['marked', 'marked', 'C'],
  ['heavy', 'heavy', 'D'],
);

const battery: readonly Attribute[] = [
  {
    kind: 'number',
    id: 'capacityShare',
    name: 'Capacity against rated',
    how: 'Full charge to cut-off on the analyser, as a share of the label.',
    unit: '%',
    low: 0,
    high: 120,
    better: 'higher',
    limits: { A: 95, B: 88, C: 80, D: 80 },
  },
  {
    kind: 'number',
    id: 'cycles',
    name: 'Cycles',
    how: 'From the pack’s gauge.',
    unit: '',
    low: 0,
    high: 5000,
    better: 'lower',
    limits: { A: 150, B: 400, C: 700, D: 1000 },
  },
  {
    kind: 'number',
    id: 'resistanceMilliOhm',
    name: 'Inner resistance',
    how: 'Voltage step under load, at 20 to 25 °C.',
    unit: 'mΩ',
    low: 0,
    high: 2000,
    better: 'lower',
    limits: { A: 90, B: 130, C: 180, D: 240 },
  },
  choice(
    'shape',
    'Shape',
    'On the flat plate, under its own weight.',
    ['flat', 'flat', 'A'],
    ['bent', 'bent or pried', 'X'],
    ['swollen', 'swollen', 'X'],
  ),
];

const display: readonly Attribute[] = [
  {
    kind: 'number',
    id: 'deadPixels',
    name: 'Dead or stuck pixels',
    how: 'Count them on white, black, red, green, blue.',
    unit: '',
    low: 0,
    high: 999,
    better: 'lower',
    limits: { A: 0, B: 1, C: 3, D: 8 },
  },
  {
    kind: 'number',
    id: 'touchCoverage',
    name: 'Touch grid covered',
    how: 'Draw over the grid with a clean finger.',
    unit: '%',
    low: 0,
    high: 100,
    better: 'higher',
    limits: { A: 100, B: 100, C: 100, D: 98 },
  },
  choice(
    'picture',
    'Picture',
    'Grey field in the dark.',
    ['even', 'even', 'A'],
    ['faint', 'faint shade', 'B'],
    ['burn', 'burn-in or pressure marks', 'C'],
    ['lines', 'lines or dark', 'X'],
  ),
  choice(
    'glass',
    'Glass',
    'Under the lamp, tilted.',
    ['clean', 'clean', 'A'],
    ['hairline', 'hairlines', 'B'],
    ['scratched', 'scratches you feel', 'C'],
    ['chipped', 'chipped at the edge', 'D'],
    ['cracked', 'cracked', 'X'],
  ),
];

const board: readonly Attribute[] = [
  choice('starts', 'Starts', 'On the bench supply.', ['yes', 'starts', 'A'], ['no', 'dead', 'X']),
  choice(
    'charges',
    'Charges',
    'Current at the port within a minute.',
    ['yes', 'charges', 'A'],
    ['no', 'does not', 'X'],
  ),
  choice(
    'radios',
    'Radios',
    'All of them find the test point.',
    ['all', 'all', 'A'],
    ['some', 'one is deaf', 'D'],
    ['none', 'none', 'X'],
  ),
  choice(
    'seats',
    'Connector seats',
    'Every seat under the lens.',
    ['whole', 'whole', 'A'],
    ['worn', 'one repaired or worn', 'C'],
    ['lifted', 'one lifted', 'X'],
  ),
  choice(
    'liquid',
    'Liquid traces',
    'Indicators, then the shields’ edges.',
    ['none', 'none', 'A'],
    ['dried', 'dried, no corrosion', 'C'],
    ['corroded', 'corrosion', 'X'],
  ),
  choice('lock', 'Account lock', 'At first start.', ['free', 'free', 'A'], ['locked', 'locked', 'X']),
];

const other: readonly Attribute[] = [works, wear];

/** The attributes by which a category of parts is graded. */
export function attributesOf(category: PartCategory): readonly Attribute[] {
  switch (category) {
    case 'battery':
      return battery;
    case 'display':
      return display;
    case 'board':
      return board;
    default:
      return other;
  }
}
