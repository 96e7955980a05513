import fc from 'fast-check';
import type { Screw } from '@/core/procedure/joints';
import { torqueState, type TorqueReading } from './torqueState';

const screw = (id: string, tightenAt: number, torque = true): Screw =>
  ({
    id,
    kind: 'screw',
    drive: 'PH00',
    lengthMm: 3,
    diameterMm: 1.4,
    depthMm: 3,
    xMm: tightenAt,
    yMm: 0,
    face: 'back',
    holds: [],
    tightenAt,
    ...(torque && { torqueNewtonCm: { low: 4, aim: 5, high: 6 } }),
  }) as unknown as Screw;
const joints = [screw('c', 3), screw('a', 1), screw('b', 2), screw('loose', 4, false)];
const read = (jointId: string, newtonCm: number, isKept = false, stepId = 'back:x'): TorqueReading => ({
  stepId,
  jointId,
  newtonCm,
  isKept,
});
const state = (...readings: TorqueReading[]) => torqueState('back:x', joints, readings);

describe('tightening under a driver that reads', () => {
  test('goes through the screws in their order, those without a figure left out', () => {
    expect(state().screws.map(({ screw: { id } }) => id)).toEqual(['a', 'b', 'c']);
    expect(state().next?.id).toBe('a');
    expect(state(read('a', 5)).next?.id).toBe('b');
    expect(state(read('a', 5), read('b', 4), read('c', 6)).next).toBeNull();
  });

  test.each([
    [3.9, 'low'],
    [4, 'good'],
    [6, 'good'],
    [6.1, 'high'],
  ])('%d N·cm is %s', (newtonCm, verdict) => {
    expect(state(read('a', newtonCm)).screws[0]?.verdict).toBe(verdict);
  });

  test('a wrong one is asked again before the next, until it is right or said to stay', () => {
    const wrong = [read('a', 5), read('b', 9)];
    expect(state(...wrong).open.map(({ screw: { id } }) => id)).toEqual(['b']);
    expect(state(...wrong).next?.id).toBe('b');
    expect(state(...wrong, read('b', 5)).next?.id).toBe('c');
    const kept = state(...wrong, read('b', 9, true));
    expect([kept.next?.id, kept.open, kept.screws[1]?.verdict]).toEqual(['c', [], 'kept']);
  });

  test('readings of another step, or of a screw that is not here, count for nothing', () => {
    expect(state(read('a', 9, false, 'back:y'), read('z', 9)).open).toEqual([]);
  });

  test('nothing is open exactly when every last reading is within its limits or kept', () => {
    const reading = fc.record({
      stepId: fc.constant('back:x'),
      jointId: fc.constantFrom('a', 'b', 'c'),
      newtonCm: fc.double({ min: 0, max: 10, noNaN: true }),
      isKept: fc.boolean(),
    });
    fc.assert(
      fc.property(fc.array(reading), (readings) => {
        const last = new Map(readings.map((one) => [one.jointId, one]));
        const wrong = [...last.values()].filter(({ newtonCm, isKept }) => !isKept && (newtonCm < 4 || newtonCm > 6));
        expect(state(...readings).open).toHaveLength(wrong.length);
      }),
    );
  });
});
