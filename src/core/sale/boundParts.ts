import type { Part, Unit } from '@/core/entities/entities';
import { boundPartner } from '@/core/procedure/boundPartner';
import type { Model } from '@/core/procedure/model';
import { fitsSlot } from './slots';

type Origin = Pick<Part, 'unitId'>;

/**
 * Parts that are bound to each other came out of one unit: the part for a slot has to be of the unit that its partner is of, where one
 * is set aside already.
 *
 * @returns the partner that stands against it; null where nothing does
 */
export function strangeTo<P extends Origin>(
  model: Model,
  { assigned }: Pick<Unit, 'assigned'>,
  slot: string,
  part: Origin,
  partOf: (id: string) => P | undefined,
): P | null {
  const partner = boundPartner(model, slot);
  const id = partner === null ? undefined : assigned[partner];
  const other = id === undefined ? undefined : partOf(id);
  return other && other.unitId !== part.unitId ? other : null;
}

/** A slot that has another part while the one that it is bound to keeps its own; null where there is none. */
export function aloneIn(
  model: Model,
  { assigned }: Pick<Unit, 'assigned'>,
): { readonly slot: string; readonly partner: string } | null {
  for (const slot of Object.keys(assigned)) {
    const partner = boundPartner(model, slot);
    if (partner !== null && assigned[partner] === undefined) return { slot, partner };
  }
  return null;
}

/** Of parts that could be set aside, those whose partner could be, too. */
export function withPartner<P extends Origin & Pick<Part, 'id' | 'interchange' | 'grade'>>(
  model: Model,
  unit: Pick<Unit, 'assigned'>,
  slot: string,
  parts: readonly P[],
  partOf: (id: string) => Origin | undefined,
): readonly P[] {
  const partner = boundPartner(model, slot);
  if (partner === null) return parts;
  if (unit.assigned[partner] !== undefined)
    return parts.filter((part) => strangeTo(model, unit, slot, part, partOf) === null);
  const origins = new Set(parts.filter((part) => fitsSlot(model, partner, part)).map(({ unitId }) => unitId));
  return parts.filter(({ unitId }) => origins.has(unitId));
}
