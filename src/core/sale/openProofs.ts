import type { Unit } from '@/core/entities/entities';
import type { Model } from '@/core/procedure/model';
import type { DeviceTest } from '@/core/procedure/vocabulary';

/** Tests that must still pass before a unit may be sold. One sold as it is needs none: it is sold untested. */
export function openProofs(model: Model, unit: Pick<Unit, 'disposition' | 'proof'>): readonly DeviceTest[] {
  return unit.disposition === 'as-is' ? [] : model.tests.filter((test) => unit.proof[test] !== 'sound');
}
