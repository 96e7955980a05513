import fc from 'fast-check';
import { phone } from '../../../tests/support/models';
import type { Face, Outline } from '@/core/procedure/faces';
import type { Model } from '@/core/procedure/model';
import type { ModelPart } from '@/core/procedure/parts';
import type { PartCategory } from '@/core/procedure/vocabulary';
import { hitsOf } from './hits';

const part = (id: string, category: PartCategory, slot: ModelPart['slot'] = 'cosmetic'): ModelPart => ({
  ...(phone.parts[0] as ModelPart),
  id,
  category,
  slot,
});
const area = (xMm: number, yMm: number, widthMm: number, heightMm: number, of?: string): Outline => ({
  ...(phone.faces[0]?.outlines[0] as Outline),
  xMm,
  yMm,
  widthMm,
  heightMm,
  part: of,
});
const face = (id: string, outlines: readonly Outline[]): Face => ({
  ...(phone.faces[0] as Face),
  id,
  widthMm: 90,
  heightMm: 60,
  outlines,
});
const modelOf = (parts: readonly ModelPart[], faces: readonly Face[]): Model => ({ ...phone, parts, faces });

/** Parts that a crack in a field hits. */
const cracked = (model: Model, field: number, on = 'top', kind: 'crack' | 'dent' = 'crack') =>
  model.parts
    .filter((one) => hitsOf(model, one, { marks: [{ kind, face: on, field }] }).length > 0)
    .map(({ id }) => id)
    .sort();

describe('what a mark in a field hits', () => {
  // One cover in each of nine fields, numbered as on a keypad.
  const parts = [1, 2, 3, 4, 5, 6, 7, 8, 9].map((field) => part(`c${field}`, 'cover'));
  const tiled = modelOf(parts, [
    face(
      'top',
      parts.map(({ id }, at) => area(30 * (at % 3), 20 * (2 - Math.floor(at / 3)), 30, 20, id)),
    ),
  ]);

  test('in each of the nine fields just what is drawn there; what only touches the field is not in it', () => {
    for (let field = 1; field <= 9; field += 1) expect(cracked(tiled, field)).toEqual([`c${field}`]);
  });

  test('whatever is drawn: hit is what shares a point with the field (by counting square millimetres)', () => {
    fc.assert(
      fc.property(
        fc.tuple(fc.nat(85), fc.nat(55), fc.integer({ min: 1, max: 60 }), fc.integer({ min: 1, max: 60 })),
        fc.integer({ min: 1, max: 9 }),
        ([x, y, width, height], field) => {
          // A second cover far outside, so that a field over nothing is not given to the first.
          const everywhere = area(0, 0, 90, 60, 'all');
          const model = modelOf(
            [part('one', 'cover'), part('all', 'cover')],
            [face('top', [area(x, y, width, height, 'one'), everywhere])],
          );
          const [left, top] = [30 * ((field - 1) % 3), 20 * (2 - Math.floor((field - 1) / 3))];
          let shared = 0;
          for (let atX = left; atX < left + 30; atX += 1)
            for (let atY = top; atY < top + 20; atY += 1)
              if (atX >= x && atX < x + width && atY >= y && atY < y + height) shared += 1;
          expect(cracked(model, field)).toEqual(shared > 0 ? ['all', 'one'] : ['all']);
        },
      ),
      { seed: 2026, numRuns: 300 },
    );
  });

  test('a field over nothing that it harms hits the nearest of its kind on that face', () => {
    const model = modelOf(
      [part('cover', 'cover'), part('board', 'board'), part('other', 'cover')],
      [
        face('top', [area(0, 0, 10, 10, 'cover'), area(60, 40, 30, 20, 'board'), area(60, 40, 30, 20)]),
        face('under', [area(0, 0, 90, 60, 'other')]),
      ],
    );
    // The board lies under it; a crack does it no harm.
    expect(cracked(model, 3)).toEqual(['cover']);
    expect(cracked(model, 3, 'under')).toEqual(['other']);
  });

  test('where nothing is drawn it hits the housing that stands on no drawing; when all are drawn, any housing', () => {
    const drawn = face('side', [area(0, 0, 90, 60, 'shell'), area(0, 0, 9, 6, 'cover')]);
    const parts = [
      part('cover', 'cover'),
      part('shell', 'housing'),
      part('deck', 'housing'),
      part('bracket', 'housing', 'functional'),
    ];
    expect(cracked(modelOf(parts, [face('top', []), drawn]), 5)).toEqual(['deck']);
    expect(cracked(modelOf(parts, [drawn]), 5, 'no such face')).toEqual(['deck']);
    const both = face('side', [...drawn.outlines, area(0, 0, 90, 60, 'deck')]);
    expect(cracked(modelOf(parts, [face('top', []), both]), 5)).toEqual(['deck', 'shell']);
    expect(cracked(modelOf([part('cover', 'cover')], [face('top', [])]), 5)).toEqual([]);
  });

  test('a depth that was not measured is the least, one that was is kept', () => {
    const [cover] = tiled.parts as [ModelPart];
    const depths = (depthMm?: number) =>
      hitsOf(tiled, cover, {
        marks: [{ kind: 'dent', face: 'top', field: 1, ...(depthMm !== undefined && { depthMm }) }],
      });
    expect(depths()).toEqual([{ finding: 'dent', depthMm: 1 }]);
    expect(depths(4)).toEqual([{ finding: 'dent', depthMm: 4 }]);
  });
});
