/** A bit of one bench from new to its renewal, or till now. */
export interface BitLife {
  readonly bench: string;
  readonly drive: string;
  /** Captive ones are turned too. */
  readonly screws: number;
  readonly stripped: number;
  readonly isOver: boolean;
}

/** The bit of a drive that is in use at a bench; undefined while it has turned nothing. */
export const bitInUse = (lives: readonly BitLife[], bench: string, drive: string): BitLife | undefined =>
  lives.find((life) => life.bench === bench && life.drive === drive && !life.isOver);
