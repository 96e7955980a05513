import type { Operation, Rung } from '@/core/procedure/operations';
import type { JointKind } from '@/core/procedure/vocabulary';
import { howFreed } from './howFreed';

const pull = { motion: { kind: 'slide', towardDegrees: 270, travelMm: 70 } } as Pick<Operation, 'motion'>;
const lift = { motion: { kind: 'lift', towardDegrees: 90, travelMm: 4 } } as Pick<Operation, 'motion'>;
const ends = [
  { id: 'whole', says: 'Whole', chance: 0.8 },
  { id: 'torn', says: 'Torn', chance: 0.2 },
];
const rung = (given: Partial<Rung> = {}): Rung => ({
  says: 'Thread',
  minutes: 2,
  breakage: 0.05,
  mostMinutes: 4,
  ...given,
});
const joints = (...kinds: readonly JointKind[]) => kinds.map((kind) => ({ kind }));

test.each<[string, ReturnType<typeof howFreed>, Parameters<typeof howFreed>]>([
  ['drawn by its strips', 'strip', [{ ...lift, ends }, joints('strip', 'strip'), undefined, []]],
  ['the usual end, said aloud', 'strip', [{ ...lift, ends }, joints('strip'), 'whole', []]],
  ['a strip that tore', undefined, [{ ...lift, ends }, joints('strip'), 'torn', []]],
  ['tape drawn out along the cell', 'strip', [pull, joints('tape'), undefined, []]],
  ['tape that a card parts', undefined, [lift, joints('tape'), undefined, []]],
  ['screws', 'unfastened', [lift, joints('screw', 'screw'), undefined, []]],
  ['a latch', 'unfastened', [pull, joints('latch'), undefined, []]],
  ['screws and glue', undefined, [lift, joints('screw', 'glue'), undefined, []]],
  ['nothing left to open', undefined, [lift, [], undefined, []]],
  ['a thread had to help', undefined, [pull, joints('strip'), undefined, [rung()]]],
  [
    'then a drop of solvent',
    'solvent',
    [pull, joints('strip'), undefined, [rung(), rung({ solvent: { name: 'Tape softener', ventilateMinutes: 3 } })]],
  ],
  ['a warm back', 'warmed', [pull, joints('strip'), undefined, [rung({ heat: { source: 'dryer', celsius: 50 } })]]],
  [
    'warmed by the step itself',
    'warmed',
    [{ ...lift, heat: { source: 'hot plate', celsius: 60 } }, joints('glue'), undefined, []],
  ],
])('%s', (_, expected, given) => {
  expect(howFreed(...given)).toBe(expected);
});
