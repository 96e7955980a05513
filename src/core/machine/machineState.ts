/** Room on a disk, in bytes. */
export interface DiskRoom {
  readonly freeBytes: number;
  readonly totalBytes: number;
}

/** What is kept of a shop elsewhere. */
export interface BackupState {
  readonly folder: string;
  /** How many stay. */
  readonly keep: number;
  readonly count: number;
  readonly newest: { readonly at: string; readonly bytes: number } | null;
  /** Null when the folder is not there: a disk that is not plugged in. */
  readonly room: DiskRoom | null;
  /** Whether what takes the shop's disk takes them, too. */
  readonly isSameDisk: boolean;
}

/** Why nothing can be said of backups from here. */
export type NoBackups = 'demo' | 'elsewhere' | 'unreadable';

export interface ShopSize {
  readonly bytes: number;
  readonly facts: number;
  /** Of the last fourteen days. */
  readonly factsPerDay: number;
  /** Since when there is something to lose, ISO; null for an empty shop. */
  readonly firstAt: string | null;
}

/** Facts that a bench kept while it could not send them, of the last day. */
export interface LateFacts {
  readonly bench: string;
  readonly facts: number;
  readonly longestMinutes: number;
}

/** A bench of which the clock was wrong, in the last day. */
export interface WrongClock {
  readonly bench: string;
  readonly facts: number;
  /** Seconds ahead, at the last of these facts. */
  readonly offS: number;
}

/** What the machine of a shop is like at one moment. */
export interface MachineState {
  /** ISO in UTC. */
  readonly at: string;
  /** Where the shop's data lie; null when that is another machine. */
  readonly room: DiskRoom | null;
  readonly shop: ShopSize;
  readonly backup: BackupState | NoBackups;
  readonly late: readonly LateFacts[];
  readonly clocks: readonly WrongClock[];
  /** Facts that are in the log and not counted yet, and requests that wait for the database. */
  readonly uncounted: number;
  readonly waiting: number;
}
