import { operation, smallModel } from '../../../tests/support/models';
import { applyPatch } from '@/core/procedure/patch';
import type { Face } from '@/core/procedure/faces';
import type { Model } from '@/core/procedure/model';
import { drawable, marksOf, newMark, placeMark, sizeMark, type Drawable, type PlacedMark } from './marks';

const face: Face = {
  id: 'top',
  name: 'Top',
  widthMm: 60,
  heightMm: 100,
  cornerMm: 2,
  outlines: [{ part: 'lid', label: 'lid', xMm: 10, yMm: 20, widthMm: 40, heightMm: 20 }],
  keepOut: [{ label: 'aerial', xMm: 5, yMm: 5, widthMm: 10, heightMm: 10, because: 'It is thin.' }],
};
const model = smallModel([operation('lid', { face: 'top', frees: ['lid'] })], { faces: [face] });
const stepOf = (of: Model) => of.operations[0] as Model['operations'][number];
const markOf = (of: Model, id: string) =>
  marksOf(of, 'top', 'lid').find((mark) => mark.id === id) as PlacedMark | undefined;
const drawn = (of: Model, kind: Drawable) => {
  const { patch, id } = newMark(of, face, stepOf(of), kind);
  return { model: applyPatch(of, patch), id };
};
const dragged = (of: Model, id: string, xMm: number, yMm: number) =>
  applyPatch(of, placeMark(of, 'top', markOf(of, id) as PlacedMark, { xMm, yMm }));

describe('drawing what hands do', () => {
  test.each(drawable)('a new %s is a mark that can be placed at once', (kind) => {
    const { model: after, id } = drawn(model, kind);
    expect(stepOf(after)[kind]).toBeDefined();
    expect(markOf(after, id)).toBeDefined();
  });

  test('a stretch of the seam goes on from the last one, and its end is dragged', () => {
    const first = drawn(model, 'seam');
    const moved = dragged(first.model, first.id, 50.2, 30.4);
    const second = drawn(moved, 'seam');
    const [one, two] = stepOf(second.model).seam ?? [];
    expect(one).toMatchObject({ toXMm: 50, toYMm: 30.5 });
    expect(two).toMatchObject({ xMm: 50, yMm: 30.5, depthMm: one?.depthMm });
    expect(second.id).toBe('seam-1-to');
  });

  test.each([
    [30, 5, 90],
    [59, 30, 0],
    [1, 30, 180],
    [30, 99, 270],
    [50, 10, 45],
  ])('an arrow dragged to %d, %d points %d°, seen from the part that moves', (xMm, yMm, degrees) => {
    const { model: after, id } = drawn(model, 'motion');
    const turned = dragged(after, id, xMm, yMm);
    expect(stepOf(turned).motion).toEqual({ kind: 'slide', towardDegrees: degrees });
    // Its mark stands where it points.
    const mark = markOf(turned, id) as PlacedMark;
    expect(Math.round((Math.atan2(30 - mark.yMm, mark.xMm - 30) * 180) / Math.PI + 360) % 360).toBe(degrees);
  });

  test('what goes out of the page or turns has no arrow on the face', () => {
    const lifted = applyPatch(model, [{ path: ['operations', 0, 'motion'], value: { kind: 'lift', travelMm: 4 } }]);
    expect(markOf(lifted, 'motion')).toBeUndefined();
  });

  test('nothing leaves its face, and no area becomes smaller than a millimetre', () => {
    const out = dragged(model, 'keepOut-0', 900, -40);
    expect(out.faces[0]?.keepOut[0]).toMatchObject({ xMm: 50, yMm: 0 });
    const shrunk = applyPatch(
      model,
      sizeMark(model, 'top', markOf(model, 'keepOut-0') as PlacedMark, { widthMm: -50, heightMm: 300 }),
    );
    expect(shrunk.faces[0]?.keepOut[0]).toMatchObject({ widthMm: 1, heightMm: 95 });
  });
});
