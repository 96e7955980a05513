import { isScrew } from './joints';
import type { Model } from './model';
import type { Operation } from './operations';

/** What can be told of a device before it is opened. */
export const lookNames = ['kind', 'size', 'heads', 'screws', 'keys', 'camera', 'tray', 'door'] as const;
export type LookName = (typeof lookNames)[number];
export type Looks = Readonly<Record<LookName, string>>;

/** Ends of the size classes, along the longer side, in mm. */
const sizes = [70, 110, 150, 180, 260] as const;

/** A step that only makes ready opens and frees nothing: what comes after it is still on the outside. */
const opensNothing = ({ opens, frees }: Operation) => opens.length === 0 && frees.length === 0;

/** What a model looks like from outside, from its own drawing and its first operations. */
export function looksOf(model: Model): Looks {
  const byId = new Map(model.operations.map((operation) => [operation.id, operation]));
  const first = model.operations.filter(
    (operation) =>
      !opensNothing(operation) &&
      operation.after.every(({ any }) => any.every((id) => opensNothing(byId.get(id) as Operation))),
  );
  const outside = new Set(first.flatMap(({ opens }) => opens));
  const screws = model.joints.filter(isScrew).filter(({ id, hiddenBy }) => outside.has(id) && hiddenBy === undefined);
  const heads = [...new Set(screws.map(({ head }) => head))].sort();
  const longest = Math.max(...model.faces.flatMap(({ widthMm, heightMm }) => [widthMm, heightMm]));
  const over = sizes.findLast((size) => longest >= size);
  const under = sizes.find((size) => longest < size);
  const has = (category: string) => model.parts.some((part) => part.category === category);
  return {
    kind: model.kind,
    size:
      over === undefined
        ? `under ${sizes[0]} mm`
        : under === undefined
          ? `${over} mm and more`
          : `${over} to ${under} mm`,
    heads: heads.length === 0 ? 'none to be seen' : heads.join(', '),
    screws: screws.length === 0 ? 'none' : screws.length < 4 ? '1 to 3' : screws.length < 8 ? '4 to 7' : '8 or more',
    keys: has('keys') ? 'keys to press' : 'no keys',
    camera: has('camera') ? 'a camera' : 'no camera',
    tray: model.parts.some(({ standsThrough }) => standsThrough !== undefined)
      ? 'a tray, card or pen'
      : 'nothing to draw out',
    door: first.some(({ tool, frees }) => tool === 'Hands' && frees.length > 0)
      ? 'a lid or door opens by hand'
      : 'nothing opens by hand',
  };
}
