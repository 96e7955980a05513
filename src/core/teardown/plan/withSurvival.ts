import { doneInOrder } from '@/core/procedure/authorOrder';
import { unattendedMinutes, type Operation } from '@/core/procedure/operations';
import { besideHand } from '../order/sequenceOf';
import type { OperationOrder } from '../orderOperations';
import { payingParts, type ChoiceGround, type Prize } from '../worth/payingParts';
import { worthAlong, type Valued } from '../worth/survival';
import type { SparingArc } from '@/core/teardown/explainOperation';

/** How far the additive choice is from what its order really brings, and what was done about it. */
export interface Correction {
  /** Cents by which adding up says more than the order brings. */
  readonly errorCents: number;
  /** What changed for it: a part freed before an operation that risks it, an operation left out, a part left in. */
  readonly change: Change | null;
  /** Cents that the change brings. */
  readonly gainCents: number;
}

export interface Change {
  readonly kind: 'part-first' | 'without-operation' | 'without-part';
  readonly operation: string;
  readonly part: string;
}

interface Choice {
  readonly chosen: readonly Operation[];
  readonly ground: ChoiceGround;
  readonly prizes: readonly Prize[];
  readonly valued: readonly Valued[];
  /** False when the parts were asked for by name. */
  readonly mayDrop: boolean;
}

/**
 * Survival multiplies along the way, and adding up does not see what an operation risks for a part that is still in.
 * Counts it along the best order; when something is at risk, also tries to free it before the risky operation, the plan
 * without that operation, and the plan without the worth of the part, and takes what really brings most.
 *
 * Cost: one more choice and order for each operation that risks a part beside its own way
 */
export function withSurvival(
  { chosen, ground, prizes, valued, mayDrop }: Choice,
  order: (operations: readonly Operation[]) => OperationOrder,
  labourCentsPerMinute: number,
): { readonly ordered: OperationOrder; readonly correction: Correction } {
  const bringing = ({ operations, minutes }: OperationOrder): number =>
    worthAlong(operations, valued) - (minutes - minutesAway(operations)) * labourCentsPerMinute;
  const added = valued
    .filter(({ part }) => chosen.some(({ frees }) => frees.includes(part)))
    .reduce((sum, { soundCents, chance }) => sum + soundCents * chance, 0);
  const asChosen = order(chosen);
  const errorCents = added - worthAlong(asChosen.operations, valued);
  const none = { ordered: asChosen, correction: { errorCents, change: null, gainCents: 0 } };
  if (errorCents < 1) return none;

  const now = bringing(asChosen);
  let best: { readonly ordered: OperationOrder; readonly correction: Correction } = none;
  for (const risky of chosen) {
    for (const { part, chance } of risky.risks ?? []) {
      const own = valued.find((entry) => entry.part === part);
      if (!own || chance === 0 || own.ownWay.has(risky.id)) continue;
      const others: (readonly [Change['kind'], readonly Operation[] | null])[] = [
        ['part-first', withPartFirst(chosen, risky, part)],
        ...(mayDrop
          ? ([
              ['without-operation', payingParts(barring(ground, risky.id), prizes).operations],
              [
                'without-part',
                payingParts(
                  ground,
                  prizes.filter((prize) => prize.part !== part),
                ).operations,
              ],
            ] as const)
          : []),
      ];
      for (const [kind, operations] of others) {
        if (!operations) continue;
        const ordered = order(operations);
        const gainCents = bringing(ordered) - now;
        if (gainCents > best.correction.gainCents + 1e-6) {
          const change = { kind, operation: risky.id, part };
          best = { ordered, correction: { errorCents, change, gainCents } };
        }
      }
    }
  }
  return best;
}

/** Unattended minutes during which the unit is away from the hand: they take time, and no labour. */
const minutesAway = (operations: readonly Operation[]): number =>
  unattendedMinutes({
    waits: operations.flatMap(({ waits = [] }) => waits.filter(({ fixture }) => fixture !== besideHand)),
  });

const barring = (ground: ChoiceGround, id: string): ChoiceGround => ({
  ...ground,
  isAllowed: (operation) => operation.id !== id && ground.isAllowed(operation),
});

/** The same operations, with the part out before the risky one; null when it cannot be. */
function withPartFirst(chosen: readonly Operation[], risky: Operation, part: string): readonly Operation[] | null {
  const freeing = chosen.filter(({ id, frees }) => id !== risky.id && frees.includes(part)).map(({ id }) => id);
  if (freeing.length === 0) return null;
  const arc: SparingArc = { any: freeing, reason: 'protective', because: '', spares: part };
  const arranged = chosen.map((operation) =>
    operation.id === risky.id ? { ...operation, after: [...operation.after, arc] } : operation,
  );
  return doneInOrder(arranged).length === arranged.length ? arranged : null;
}
