import { isScrew, type Joint, type Screw } from '@/core/procedure/joints';

/** Screws of one step that are alike. */
export interface ScrewGroup {
  readonly head: string;
  readonly lengthMm: number;
  readonly diameterMm: number;
  /** Of its shallowest hole. */
  readonly depthMm: number;
  readonly count: number;
  readonly jointIds: readonly string[];
  readonly singleUse: boolean;
}

/**
 * Groups the screws among some joints by head, length and diameter. Counts are sums over the joints, never a figure
 * that somebody typed.
 *
 * @returns longest first, then by head, so that the order does not depend on the document's
 */
export function screwGroups(joints: readonly Joint[]): readonly ScrewGroup[] {
  const groups = new Map<string, Screw[]>();
  for (const screw of joints.filter(isScrew)) {
    const key = `${screw.head} ${screw.lengthMm} ${screw.diameterMm}`;
    groups.set(key, [...(groups.get(key) ?? []), screw]);
  }
  return [...groups.values()]
    .map((screws) => {
      const [first] = screws as [Screw];
      return {
        head: first.head,
        lengthMm: first.lengthMm,
        diameterMm: first.diameterMm,
        depthMm: Math.min(...screws.map(({ depthMm }) => depthMm)),
        count: screws.length,
        jointIds: screws.map(({ id }) => id),
        singleUse: screws.every(({ singleUse }) => singleUse === true),
      };
    })
    .sort((a, b) => b.lengthMm - a.lengthMm || a.head.localeCompare(b.head) || a.diameterMm - b.diameterMm);
}

/** How a group is called at the bench: "PH00 3.0". */
export const screwName = ({ head, lengthMm }: Pick<ScrewGroup, 'head' | 'lengthMm'>): string =>
  `${head} ${lengthMm.toFixed(1)}`;
