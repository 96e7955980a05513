import type { Unit } from '@/core/entities/entities';
import type { Deed } from '@/core/findings/rules';
import { forbiddenBy } from '@/core/findings/standing';
import { refuse, type Outcome } from '@/core/shared/outcome';
import { modelOf } from './findUnit';
import type { World } from './world';

/** The refusal of a deed that something found on the unit forbids; null when nothing does, or the log only tells what was. */
export function refuseForbidden(world: World, unit: Unit, deed: Deed): Outcome<never> | null {
  if (world.isPast) return null;
  const model = modelOf(world, unit);
  const finding = forbiddenBy(model.ok ? model.value : null, unit, deed);
  return finding ? refuse('finding-forbids', { tag: unit.tag, finding, deed }) : null;
}
