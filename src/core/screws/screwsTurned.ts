import { isScrew, type Joint } from '@/core/procedure/joints';

/** Screws that a step turned with one bit: loosened on the way out, tightened on the way back. */
export interface Turned {
  readonly drive: string;
  readonly screws: number;
}

/** The screws among some joints by their drive, most first. */
export function screwsTurned(joints: readonly Joint[]): readonly Turned[] {
  const counts = new Map<string, number>();
  for (const { drive } of joints.filter(isScrew)) counts.set(drive, (counts.get(drive) ?? 0) + 1);
  return [...counts].map(([drive, screws]) => ({ drive, screws })).sort((a, b) => b.screws - a.screws);
}
