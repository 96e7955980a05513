import { isScrew, type Joint, type Screw } from '@/core/procedure/joints';
import { tighteningOrder } from './tighteningOrder';

/** Screws in the order in which they are loosened: by the model's numbers where it gives them, else as they are written. */
export const looseningOrder = (screws: readonly Screw[]): readonly Screw[] =>
  screws.length > 0 && screws.every(({ loosenAt }) => loosenAt !== undefined)
    ? [...screws].sort((a, b) => (a.loosenAt as number) - (b.loosenAt as number))
    : screws;

/**
 * The joints of a step as hands come to them: screws first, in the order of loosening on the way out and of tightening on
 * the way back.
 */
export function jointsInOrder(leg: 'out' | 'back' | string, joints: readonly Joint[]): readonly Joint[] {
  const screws = joints.filter(isScrew);
  // Groups that have numbers of their own go one after the other, each by its numbers.
  const numbered = screws.filter(({ loosenAt, tightenAt }) => (leg === 'back' ? tightenAt : loosenAt) !== undefined);
  const others = screws.filter((screw) => !numbered.includes(screw));
  const order = leg === 'back' ? tighteningOrder : looseningOrder;
  return [...order(others), ...order(numbered), ...joints.filter((joint) => !isScrew(joint))];
}

/** What stands beside a screw: the number that is printed there, else its place in the order. */
export const signOf = (joint: Joint, place: number): string => joint.mark?.text ?? String(place);
