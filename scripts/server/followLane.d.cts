interface LaneDoors {
  readonly now: () => number;
  readonly later: (work: () => unknown, ms: number) => unknown;
}

export function makeFollowLane(
  facts: () => number,
  doors?: LaneDoors,
): (work: () => Promise<void>, isOver: () => boolean) => void;
