import fc from 'fast-check';
import { laptop, phone, shippedModels } from '../../../tests/support/models';
import { comesOut, isScrew, type Screw } from '@/core/procedure/joints';
import { placesOf } from './strayScrew';
import { tighteningOrder } from './tighteningOrder';
import { readTorque } from './torque';

const none: ReadonlySet<string> = new Set();

describe('placesOf', () => {
  test('a screw of the model, measured a little wrong, is found among its likely places', () => {
    const screws = shippedModels.flatMap((model) => model.joints.filter(comesOut).map((screw) => ({ model, screw })));
    fc.assert(
      fc.property(
        fc.constantFrom(...screws),
        fc.double({ min: -0.14, max: 0.14, noNaN: true }),
        ({ model, screw }, wrong) => {
          const reading = { drive: screw.drive, lengthMm: (screw.lengthMm as number) + wrong, errorMm: 0.1 };
          const places = placesOf(reading, model.joints, none);
          const own = places.find((place) => place.screw.id === screw.id);
          expect(own?.chance).toBeGreaterThan(0);
          expect(own?.wouldHurt).toBe(false);
          expect(places.reduce((sum, { chance }) => sum + chance, 0)).toBeCloseTo(1, 9);
        },
      ),
      { numRuns: 200, seed: 2026 },
    );
  });

  test('what is open is ten times as likely as what is shut', () => {
    const [first, second] = laptop.joints.filter(isScrew) as [Screw, Screw];
    const twin = { ...second, id: 'twin', drive: first.drive, lengthMm: first.lengthMm };
    const places = placesOf(
      { drive: first.drive, lengthMm: first.lengthMm as number, errorMm: 0.1 },
      [first, twin],
      new Set(['twin']),
    );
    expect(places[0]?.screw.id).toBe('twin');
    expect((places[0]?.chance ?? 0) / (places[1]?.chance ?? 1)).toBeCloseTo(10, 9);
  });

  test('holes of its head that it is too long for are named', () => {
    const [short] = phone.joints.filter(isScrew) as [Screw];
    const hurt = placesOf({ drive: short.drive, lengthMm: (short.depthMm as number) + 3, errorMm: 0.1 }, [short], none);
    expect(hurt).toEqual([{ screw: short, chance: 0, wouldHurt: true, unknown: [] }]);
  });

  test('what nobody has measured stays unknown, and is said', () => {
    const [known] = phone.joints.filter(comesOut) as [Screw];
    const { lengthMm, depthMm, diameterMm: _, ...bare } = known;
    const unmeasured = { ...bare, id: 'unmeasured' };
    const reading = { drive: known.drive, lengthMm: lengthMm as number, errorMm: 0.1 };
    const places = placesOf(reading, [unmeasured, known], none);
    expect(places.map(({ screw: { id } }) => id)).toEqual([known.id, 'unmeasured']);
    expect(places[1]).toMatchObject({ wouldHurt: null, unknown: ['lengthMm', 'diameterMm', 'depthMm'] });
    expect(places[1]?.chance).toBeGreaterThan(0);
    // A depth that is known still warns, though the length is not.
    const shallow = { ...unmeasured, depthMm: (depthMm as number) / 4 };
    expect(placesOf(reading, [shallow], none)[0]).toMatchObject({
      wouldHurt: true,
      unknown: ['lengthMm', 'diameterMm'],
    });
  });

  test('a captive screw cannot have come loose, and its hole may still be hurt', () => {
    const [known] = phone.joints.filter(comesOut) as [Screw];
    const captive = { ...known, isCaptive: true };
    const reading = { drive: known.drive, lengthMm: known.lengthMm as number, errorMm: 0.1 };
    expect(placesOf(reading, [captive], none)).toEqual([]);
    expect(placesOf({ ...reading, lengthMm: 20 }, [captive], none)[0]?.wouldHurt).toBe(true);
  });

  test('a reading of nothing is a caller’s mistake', () => {
    expect(() => placesOf({ lengthMm: 0, errorMm: 0.1 }, [], none)).toThrow(RangeError);
  });
});

describe('tighteningOrder', () => {
  const at = (id: string, xMm: number, yMm: number, tightenAt?: number) =>
    ({ id, xMm, yMm, ...(tightenAt !== undefined && { tightenAt }) }) as Screw;

  test('goes crosswise: on a ring no two neighbours follow each other', () => {
    for (const count of [4, 6, 8, 10]) {
      const ring = Array.from({ length: count }, (_, index) =>
        at(String(index), 10 * Math.cos((2 * Math.PI * index) / count), 10 * Math.sin((2 * Math.PI * index) / count)),
      );
      const order = tighteningOrder(ring).map(({ id }) => Number(id));
      expect([...order].sort((a, b) => a - b)).toEqual(ring.map((_, index) => index));
      const second = Math.abs((order[0] as number) - (order[1] as number));
      expect(Math.min(second, count - second)).toBe(count / 2);
    }
  });

  test('the model’s own numbers come first', () => {
    expect(tighteningOrder([at('a', 0, 0, 2), at('b', 9, 9, 1)]).map(({ id }) => id)).toEqual(['b', 'a']);
  });

  test('none is none', () => expect(tighteningOrder([])).toEqual([]));
});

describe('readTorque', () => {
  test.each([
    ['5 N·cm', 5],
    ['0,05 N·m', 5],
    ['1 kgf·cm', 9.80665],
    ['1 in·lbf', 11.298482902],
    ['10 ozf·in', 7.0615518],
  ])('%s', (text, newtonCm) => {
    const read = readTorque(text);
    expect(read.ok && read.value).toBeCloseTo(newtonCm, 9);
  });

  test.each([
    ['1.2 kgf', 'torque-is-force'],
    ['3 N', 'torque-is-force'],
    ['tight', 'torque-unreadable'],
    ['-1 N·cm', 'torque-unreadable'],
  ])('%s is refused', (text, reason) => {
    const read = readTorque(text);
    expect(read.ok ? null : read.refusal.reason).toBe(reason);
  });
});
