import fc from 'fast-check';
import { layersOf } from './materials';
import { atRest, networkStep } from './thermalNetwork';

const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe('layers of materials', () => {
  const figures = { heat: 2.4e6, through: 160 };

  test('one plate has its heat, two conduct by half of each, and air between only resists', () => {
    const [plate] = layersOf([{ material: 'aluminium', mm: 2 }]);
    expect(plate).toMatchObject({ capacity: (figures.heat * 2) / 1000, toNext: 0 });
    const pair = layersOf([
      { material: 'aluminium', mm: 2 },
      { material: 'aluminium', mm: 4 },
    ]);
    expect(pair[0]?.toNext).toBeCloseTo(1 / (0.001 / figures.through + 0.002 / figures.through), 6);
    const gapped = layersOf([
      { material: 'aluminium', mm: 2 },
      { material: 'air', mm: 1 },
      { material: 'aluminium', mm: 4 },
    ]);
    expect(gapped).toHaveLength(2);
    expect(1 / (gapped[0]?.toNext as number) - 1 / (pair[0]?.toNext as number)).toBeCloseTo(0.001 / 0.026, 6);
  });

  test('a wider gap never warms the cell more', () => {
    fc.assert(
      fc.property(between(0.1, 2), between(0.1, 2), (a, b) => {
        const [narrow, wide] = [Math.min(a, b), Math.max(a, b)].map((mm) => {
          const layers = layersOf([
            { material: 'glass', mm: 0.7 },
            { material: 'adhesive', mm: 0.25 },
            { material: 'air', mm },
            { material: 'cell', mm: 4 },
          ]);
          const stack = { layers, adhesive: 1, cell: 2, ambientCelsius: 22 };
          return networkStep(stack, { celsius: 80, coupling: 70 }, 120)(atRest(stack))[2] as number;
        });
        expect(wide as number).toBeLessThanOrEqual((narrow as number) + 1e-9);
      }),
    );
  });

  test.each([[[]], [[{ material: 'air', mm: 1 }]], [[{ material: 'glass', mm: 0 }]]] as const)(
    '%o cannot be',
    (layers) => {
      expect(() => layersOf(layers)).toThrow(RangeError);
    },
  );
});
