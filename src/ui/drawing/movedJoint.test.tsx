import { ChakraProvider } from '@chakra-ui/react';
import { renderToStaticMarkup } from 'react-dom/server';
import { phone } from '../../../tests/support/models';
import { checkModel } from '@/core/procedure/checkModel';
import type { Face } from '@/core/procedure/faces';
import { isScrew, type Screw } from '@/core/procedure/joints';
import type { Model } from '@/core/procedure/model';
import { tighteningOrder } from '@/core/screws/tighteningOrder';
import { startingHouseRules } from '@/core/shared/houseRules';
import { planRunSheet } from '@/core/teardown/sheet/runSheet';
import { system } from '@/ui/theme/system';
import { FaceDrawing } from './FaceDrawing';

/** A screw of the cover plate, which comes off before the cell is out. */
const moved = (phone.operations.find(({ id }) => id === 'plate')?.opens ?? [])
  .flatMap((id) => phone.joints.find((joint) => joint.id === id) ?? [])
  .filter(isScrew)
  .find(({ tightenAt }) => tightenAt === undefined || tightenAt > 0) as Screw;
const cell = phone.faces
  .flatMap(({ id, keepOut }) => keepOut.map((zone) => ({ face: id, zone })))
  .find(({ zone }) => zone.forbids === 'metal');

const changed = (given: Partial<Screw>): Model => ({
  ...phone,
  joints: phone.joints.map((joint) => (joint.id === moved.id ? { ...moved, ...given } : joint)),
});

function sheetOf(model: Model, keeping: 'tray' | 'mat') {
  const asked = {
    revision: 'a',
    configuration: 'standard',
    findings: [],
    targets: ['battery'],
    kind: 'teardown',
  } as const;
  const sheet = planRunSheet(model, { ...asked, keeping }, startingHouseRules);
  if (!sheet.ok) throw new Error('no sheet');
  return sheet.value;
}

/** Where the drawing of a face puts its joints. */
function marksOn(model: Model, faceId: string): string[] {
  const face = model.faces.find(({ id }) => id === faceId) as Face;
  const markup = renderToStaticMarkup(
    <ChakraProvider value={system}>
      <FaceDrawing model={model} face={face} maxWidth={300} maxHeight={400} />
    </ChakraProvider>,
  );
  return [...markup.matchAll(/<circle[^>]*cx="([\d.]+)"[^>]*cy="([\d.]+)"/g)].map(([, x, y]) => `${x} ${y}`);
}

describe('moving a joint in a model moves', () => {
  const inside = { xMm: (cell?.zone.xMm ?? 0) + 5, yMm: (cell?.zone.yMm ?? 0) + 5 };

  test('its mark on the drawing', () => {
    const at = ({ xMm, yMm }: { xMm: number; yMm: number }) => `${xMm} ${yMm}`;
    expect(marksOn(phone, moved.face)).toContain(at(moved));
    expect(marksOn(changed(inside), moved.face)).toContain(at(inside));
    expect(marksOn(changed(inside), moved.face)).not.toContain(at(moved));
  });

  test('the clash warning: a metal tip over the cell', () => {
    const clashes = (model: Model) =>
      checkModel(model).filter(({ rule, path }) => rule === 'keep-out' && path[0] === 'joints');
    expect(clashes(phone)).toEqual([]);
    expect(clashes(changed(inside)).map(({ path }) => path[1])).toEqual([
      phone.joints.findIndex(({ id }) => id === moved.id),
    ]);
  });

  test('its place on the mat, and its cup when it becomes another screw', () => {
    const matOf = (model: Model) =>
      sheetOf(model, 'mat').cups.find(({ group }) => group.jointIds.includes(moved.id))?.cup;
    const cupOf = (model: Model) =>
      sheetOf(model, 'tray').cups.find(({ group }) => group.jointIds.includes(moved.id))?.cup;
    const other = phone.faces.find(({ id }) => id !== moved.face)?.id as string;
    expect(matOf(phone)).toBeDefined();
    expect(sheetOf(changed({ face: other }), 'mat').steps.find(({ id }) => id === 'out:plate')?.joints).toContainEqual(
      expect.objectContaining({ id: moved.id, face: other }),
    );
    expect(cupOf(changed({ lengthMm: (moved.lengthMm as number) + 3 }))).not.toBe(
      cupOf(changed({ lengthMm: (moved.lengthMm as number) - 1 })),
    );
  });

  test('its turn when a plate is tightened crosswise', () => {
    const screws = phone.joints
      .filter(isScrew)
      .filter(({ face }) => face === moved.face)
      .slice(0, 5);
    const four = screws.map(({ tightenAt: _, ...screw }) => screw as Screw);
    const order = (own: readonly Screw[]) =>
      tighteningOrder(own)
        .map(({ id }) => id)
        .join(' ');
    const [first] = tighteningOrder(four);
    const middle = {
      xMm: four.reduce((sum, { xMm }) => sum + xMm, 0) / four.length,
      yMm: four.reduce((sum, { yMm }) => sum + yMm, 0) / four.length,
    };
    // The one that was furthest out comes first; moved to the middle it does not.
    expect(order(four.map((screw) => (screw.id === first?.id ? { ...screw, ...middle } : screw)))).not.toBe(
      order(four),
    );
  });
});
