import { accept, refuse, type Outcome } from '@/core/shared/outcome';

/** What a battery's own lamps say, in % of the label, and half of the interval that they leave open. */
export interface LampReading {
  readonly share: number;
  readonly plusMinus: number;
}

/**
 * A battery with a button and a row of lamps says its health by how many light: each stands for an equal step, and the last of
 * them may be anywhere within its own.
 *
 * @param lit  of the lamps, at least one: with none the button, the lamps or the cell may be dead
 * @param of   lamps that there are, 2 to 10
 * @refuses 'lamps' when that cannot be
 */
export function readLamps(lit: number, of: number): Outcome<LampReading> {
  const isRow = Number.isInteger(of) && of >= 2 && of <= 10;
  if (!isRow || !Number.isInteger(lit) || lit < 1 || lit > of) return refuse('lamps', { lit, of });
  const step = 100 / of;
  return accept({ share: round((lit - 0.5) * step), plusMinus: round(step / 2) });
}

const round = (value: number): number => Math.round(value * 100) / 100;
