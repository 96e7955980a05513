import type { Face, KeepOut, ProtectedZone } from '@/core/procedure/faces';
import type { Model } from '@/core/procedure/model';
import type { ToolKind } from '@/core/procedure/vocabulary';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';

export interface ZonesNow {
  readonly keepOut: readonly KeepOut[];
  /** Where metal may go, for a step that brings metal. */
  readonly protectedZones: readonly ProtectedZone[];
}

/**
 * The zones of a face that concern a step: those that no step before it has freed, and that forbid what it brings. A
 * screwdriver is a tool, and is metal where it slips; a hand is neither.
 *
 * @param outNow  operations that are done and not taken back
 */
export function zonesNow(
  model: Pick<Model, 'tools'>,
  face: Pick<Face, 'keepOut' | 'protectedZones'>,
  step: Pick<SheetStep, 'tool' | 'hands' | 'leg'>,
  outNow: ReadonlySet<string>,
): ZonesNow {
  const kinds = new Map((model.tools ?? []).map(({ name, kind }) => [name, kind]));
  const brought = [step.tool, ...(step.hands?.withTool === undefined ? [] : [step.hands.withTool])].map(
    (tool): ToolKind => kinds.get(tool) ?? (tool === 'Hands' ? 'hand' : 'other'),
  );
  const isMetal = brought.some((kind) => kind === 'metal' || kind === 'blade' || kind === 'driver');
  const isTool = brought.some((kind) => kind !== 'hand');
  const isHot = step.hands?.heat !== undefined || brought.includes('heat');
  const concerns = ({ forbids }: KeepOut) => (forbids === 'heat' ? isHot : forbids === 'metal' ? isMetal : isTool);
  return {
    keepOut: face.keepOut.filter((zone) => concerns(zone) && !(zone.until !== undefined && outNow.has(zone.until))),
    protectedZones: isMetal ? (face.protectedZones ?? []) : [],
  };
}
