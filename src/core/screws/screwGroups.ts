import { comesOut, isCap, type Joint, type Screw } from '@/core/procedure/joints';

/** Screws of one step that are alike, or the caps that lay over screws: both are put aside and counted. */
export interface ScrewGroup {
  readonly kind: 'screw' | 'cap';
  /** Nothing for caps. */
  readonly drive: string;
  /** Left out where nobody has measured it. */
  readonly lengthMm?: number;
  readonly diameterMm?: number;
  /** Of its shallowest hole; left out when one of the holes is unknown. */
  readonly depthMm?: number;
  readonly count: number;
  readonly jointIds: readonly string[];
  /** Used once: they go to the discard cup, and new ones come on the way back. */
  readonly singleUse: boolean;
}

/**
 * Groups the screws among some joints that come out of their holes, by drive, length, diameter, and whether they are used
 * once; caps are a group of their own. Captive screws stay in their part and lie nowhere. Counts are sums over the joints, never a figure that somebody
 * typed.
 *
 * @returns longest first, then by drive, so that the order does not depend on the document's; unknown lengths last, caps
 *   behind them
 */
export function screwGroups(joints: readonly Joint[]): readonly ScrewGroup[] {
  const groups = new Map<string, Screw[]>();
  for (const screw of joints.filter(comesOut)) {
    const key = [screw.drive, screw.lengthMm, screw.diameterMm, screw.singleUse === true].join(' ');
    groups.set(key, [...(groups.get(key) ?? []), screw]);
  }
  const caps = joints.filter(isCap).map(({ id }) => id);
  const screwsAlike = [...groups.values()]
    .map((screws): ScrewGroup => {
      const [{ drive, lengthMm, diameterMm, singleUse }] = screws as [Screw];
      const depthMm = shallowest(screws);
      return {
        kind: 'screw',
        drive,
        ...(lengthMm !== undefined && { lengthMm }),
        ...(diameterMm !== undefined && { diameterMm }),
        ...(depthMm !== undefined && { depthMm }),
        count: screws.length,
        jointIds: screws.map(({ id }) => id),
        singleUse: singleUse === true,
      };
    })
    .sort(
      (a, b) =>
        (b.lengthMm ?? 0) - (a.lengthMm ?? 0) ||
        a.drive.localeCompare(b.drive) ||
        (a.diameterMm ?? 0) - (b.diameterMm ?? 0) ||
        Number(a.singleUse) - Number(b.singleUse),
    );
  if (caps.length === 0) return screwsAlike;
  return [...screwsAlike, { kind: 'cap', drive: '', count: caps.length, jointIds: caps, singleUse: false }];
}

function shallowest(screws: readonly Screw[]): number | undefined {
  const depths = screws.flatMap(({ depthMm }) => depthMm ?? []);
  return depths.length === screws.length ? Math.min(...depths) : undefined;
}
