/**
 * Drives of screws by their standard names: a family, then a size. The list of families is what bits are sold by; a drive
 * that is in none of them is taken as it is written.
 */
export const driveFamilies = ['PH', 'PLUS', 'PZ', 'SL', 'H', 'T', 'TH', 'P', 'Y', 'SQ'] as const;
export type DriveFamily = (typeof driveFamilies)[number];

export interface Drive {
  /** Null for a family that is not among the standard ones. */
  readonly family: DriveFamily | null;
  /** As it is written: `00`, `1.5`, or nothing. */
  readonly size: string;
}

/** Letters, then digits: what a drive looks like in writing. */
export const drivePattern = /^[A-Z]{1,5}[0-9]{0,4}(\.[0-9])?$/;

/** Reads a drive: `PH00` → cross recess, size 00. A leading nought is part of the size: PH0 and PH00 are two bits. */
export function readDrive(drive: string): Drive {
  const letters = /^[A-Z]*/.exec(drive)?.[0] ?? '';
  const family = driveFamilies.find((name) => name === letters) ?? null;
  return { family, size: drive.slice(letters.length) };
}

/**
 * Threads that screws of a drive have, in millimetres: starting values of ours for small machines, wide on purpose, since
 * they only ask whether a figure was mistyped.
 */
const threads: Readonly<Record<string, readonly [number, number]>> = {
  PH000: [0.8, 2],
  PH00: [1, 2.6],
  PH0: [1.4, 3.2],
  PH1: [2, 4],
  PH2: [2.9, 6],
  T3: [0.8, 2],
  T4: [1, 2.3],
  T5: [1.2, 2.6],
  T6: [1.4, 3],
  T8: [1.8, 4],
  P2: [0.8, 2],
  P5: [1, 2.6],
  Y00: [1, 2.6],
};

/** Whether a thread is one that this drive is made for; true where nothing is known of either. */
export function fitsThread(drive: string, diameterMm: number | undefined): boolean {
  const range = threads[drive];
  return range === undefined || diameterMm === undefined || (diameterMm >= range[0] && diameterMm <= range[1]);
}

/** How a screw is called at the bench: "PH00 3.0"; its drive alone where the length is unknown. */
export const screwName = ({ drive, lengthMm }: { readonly drive: string; readonly lengthMm?: number }): string =>
  lengthMm === undefined ? drive : `${drive} ${lengthMm.toFixed(1)}`;
