import { gradingInstruments } from '@/core/shared/gradingRules';

/** What can speak to a bench: instruments that read a number, the page on a unit, and a scanner, which reads a code. */
export const speakers = [...gradingInstruments.filter((kind) => kind !== 'hand'), 'scanner'] as const;
export type Speaker = (typeof speakers)[number];

/** Seconds since the run began, volts, amperes (either sign), and degrees where they were read. */
export type CellSample = readonly [seconds: number, volt: number, ampere: number, celsius?: number];

/** One thing that an instrument says: docs/formats/readings.md. */
export interface ReadingMessage {
  /** Its own, so that a message that was sent twice counts once. */
  readonly id: string;
  readonly instrument: Speaker;
  /** When it was read, ISO in UTC, by the instrument's clock. */
  readonly at: string;
  /** Tag of the part it was read off, where the instrument knows it. */
  readonly part?: string;
  readonly value?: number;
  readonly unit?: string;
  /** Half of the interval in which 95 of 100 readings of the same thing lie. */
  readonly plusMinus?: number;
  /** Of a scanner. */
  readonly code?: string;
  /** Of an analyser's discharge: the next samples of a run, and whether it is over. */
  readonly samples?: readonly CellSample[];
  readonly isLast?: boolean;
  /** By a stand-in, which measures nothing. */
  readonly isSimulated?: boolean;
}
