import { carriedBy, type Part } from '@/core/entities/entities';
import type { Model } from '@/core/procedure/model';
import type { Brought } from '@/core/procedure/transfers';

/**
 * What comes on the parts that were set aside for a unit. A part of another model may name what it carries otherwise, so
 * only those of the unit's own model are asked.
 *
 * @param assigned  slot → part id
 */
export function broughtBy(
  model: Model,
  assigned: Readonly<Record<string, string>>,
  findPart: (id: string) => Pick<Part, 'modelId' | 'carries'> | undefined,
): readonly Brought[] {
  return Object.entries(assigned).flatMap(([assembly, partId]) => {
    const part = findPart(partId);
    return part?.modelId === model.id ? carriedBy(part).map((one) => ({ assembly, part: one })) : [];
  });
}
