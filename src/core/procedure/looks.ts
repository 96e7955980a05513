import { isScrew } from './joints';
import type { Model } from './model';
import type { Operation } from './operations';

/** What can be told of a device before it is opened. */
export const lookNames = ['kind', 'size', 'heads', 'screws', 'keys', 'camera', 'tray', 'door'] as const;
export type LookName = (typeof lookNames)[number];
/**
 * By code: a range as `low-high` (0 or nothing where it is open), yes or no, or what is seen there, as the model names
 * it; nothing where nothing is seen. `words/say/sayLook.ts` says it.
 */
export type Looks = Readonly<Record<LookName, string>>;

const yes = (isSo: boolean): string => (isSo ? 'yes' : 'no');

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
  const heads = [...new Set(screws.map(({ drive }) => drive))].sort();
  const longest = Math.max(...model.faces.flatMap(({ widthMm, heightMm }) => [widthMm, heightMm]));
  const over = sizes.findLast((size) => longest >= size);
  const under = sizes.find((size) => longest < size);
  const has = (category: string) => model.parts.some((part) => part.category === category);
  return {
    kind: model.kind,
    size: `${over ?? 0}-${under ?? ''}`,
    heads: heads.join(', '),
    screws: screws.length === 0 ? '0-0' : screws.length < 4 ? '1-3' : screws.length < 8 ? '4-7' : '8-',
    keys: yes(has('keys')),
    camera: yes(has('camera')),
    tray: yes(model.parts.some(({ standsThrough }) => standsThrough !== undefined)),
    door: yes(first.some(({ tool, frees }) => tool === 'Hands' && frees.length > 0)),
  };
}
