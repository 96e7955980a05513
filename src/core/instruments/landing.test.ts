import fc from 'fast-check';
import { measuredAttributes, type MeasuredAttribute } from '@/core/shared/gradingRules';
import { freshMs, landingOf, type BenchWait } from './landing';
import type { ReadingMessage, Speaker } from './message';
import { inUnit, unitsFor } from './units';

const now = Date.parse('2026-11-29T09:30:00Z');
const message = (given: Partial<ReadingMessage>): ReadingMessage => ({
  ...{ id: '6f9619ff-8b86-4d01-b42d-00cf4fc964aa', instrument: 'calliper', at: new Date(now).toISOString() },
  ...{ value: 0.12, unit: 'mm' },
  ...given,
});
const cell: BenchWait = { part: 'P-00012', wants: ['swellingMm', 'capacityShare', 'resistanceMilliOhm'] };
const reason = (given: Partial<ReadingMessage>, wait: BenchWait | null = cell) => {
  const outcome = landingOf(message(given), wait, now);
  return outcome.ok ? outcome.value : outcome.refusal.reason;
};

test('a reading lands in the field that waits for such an instrument, in its own unit', () => {
  expect(reason({})).toEqual({ is: 'value', wish: 'swellingMm', value: 0.12 });
  expect(reason({ value: 120, unit: 'um', plusMinus: 20 })).toEqual({
    is: 'value',
    wish: 'swellingMm',
    value: 0.12,
    plusMinus: 0.02,
  });
  expect(reason({ instrument: 'analyser', value: 0.081, unit: 'Ohm' })).toMatchObject({
    wish: 'resistanceMilliOhm',
    value: 81,
  });
  expect(reason({ instrument: 'analyser', value: 91.5, unit: '%' })).toMatchObject({ wish: 'capacityShare' });
  // What is being read comes first, also where two fields could take it.
  const housing: BenchWait = { part: 'P-00012', wants: ['dentMm', 'swellingMm'] };
  expect(reason({}, housing)).toMatchObject({ wish: 'dentMm' });
});

test.each([
  ['too old', { at: new Date(now - freshMs - 1000).toISOString() }, cell, 'reading-stale'],
  ['ahead of the clock', { at: new Date(now + freshMs + 1000).toISOString() }, cell, 'reading-stale'],
  ['nobody waits', {}, null, 'reading-unwanted'],
  ['nothing of that kind waits', { instrument: 'sound-level', unit: 'dB' }, cell, 'reading-unwanted'],
  ['another part', { part: 'P-00013' }, cell, 'reading-wrong-part'],
  [
    'a part, where a step waits',
    { instrument: 'torque-driver', part: 'P-00013', unit: 'Ncm' },
    { part: null, wants: ['torque'] },
    'reading-wrong-part',
  ],
  ['no value', { value: undefined }, cell, 'reading-empty'],
  ['another unit', { unit: 'kg' }, cell, 'reading-unit'],
  ['no unit', { unit: undefined }, cell, 'reading-unit'],
  ['millimetres said as micrometres', { value: 120 }, cell, 'reading-out-of-range'],
  ['no code', { instrument: 'scanner' }, cell, 'reading-empty'],
] as const)('refused: %s', (_, given, wait, wanted) => {
  expect(reason(given as Partial<ReadingMessage>, wait as BenchWait | null)).toBe(wanted);
});

test('a code needs nobody to wait; samples go to the log of whoever has a cell in hand', () => {
  expect(reason({ instrument: 'scanner', code: 'P-00012' }, null)).toEqual({ is: 'code', code: 'P-00012' });
  expect(reason({ instrument: 'analyser', value: undefined, samples: [[0, 4.1, -2]] })).toEqual({ is: 'samples' });
  expect(reason({ instrument: 'analyser', value: undefined, isLast: true })).toEqual({ is: 'samples' });
});

test('whatever is taken is in the range of its attribute, and the same in every unit that it may be said in', () => {
  const ids = Object.keys(measuredAttributes) as MeasuredAttribute[];
  fc.assert(
    fc.property(fc.constantFrom(...ids), fc.double({ min: -1e4, max: 1e4, noNaN: true }), (id, value) => {
      const { unit, low, high, instrument } = measuredAttributes[id];
      for (const other of unitsFor(unit)) {
        const factor = inUnit(1, other, unit) ?? 1;
        const wait: BenchWait = { part: null, wants: [id] };
        const outcome = landingOf(
          message({ instrument: instrument as Speaker, value: value / factor, unit: other }),
          wait,
          now,
        );
        const isIn = value >= low + 1e-6 && value <= high - 1e-6;
        const isOut = value < low - 1e-6 || value > high + 1e-6;
        if (instrument === 'hand' || instrument === 'screen') continue;
        if (isIn && outcome.ok && outcome.value.is === 'value') expect(outcome.value.value).toBeCloseTo(value, 4);
        if (isIn) expect(outcome.ok).toBe(true);
        if (isOut) expect(outcome).toMatchObject({ refusal: { reason: 'reading-out-of-range' } });
      }
    }),
  );
});
