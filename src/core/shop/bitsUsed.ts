import type { BitUse } from '@/core/screws/bitWear';
import { screwsTurned } from '@/core/screws/screwsTurned';
import { nextStep } from '../sheet/sheetSteps';
import type { Fact } from './facts';
import { openSheet } from './openSheet';
import type { World } from './world';

/**
 * What a step done or a stripped head means for the bits of its bench. Of a step with several drives the heads are laid to
 * the one that turned most. Asked before the fact is applied.
 */
export function bitsUsed(world: World, fact: Fact): readonly BitUse[] {
  if (fact.type !== 'step-done' && fact.type !== 'screw-trouble') return [];
  const found = openSheet(world, fact);
  const step = found.ok ? nextStep(found.value.steps, found.value.sheet) : undefined;
  if (!step || step.id !== fact.payload.stepId || (step.leg !== 'out' && step.leg !== 'back')) return [];
  const turned = screwsTurned(step.joints);
  if (fact.type === 'step-done') return turned.map((use) => ({ ...use, stripped: 0 }));
  const [most] = turned;
  const { kind, count } = fact.payload;
  return most && kind === 'stripped' ? [{ drive: most.drive, screws: 0, stripped: count }] : [];
}
