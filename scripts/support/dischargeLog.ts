import { Chance } from '@/core/shared/chance';

/** What a made-up analyser logs of a cell: German or English decimals, either sign, a gap, steps for the resistance. */
export interface LogOf {
  readonly ampHours: number;
  readonly milliOhm?: number;
  readonly isComma?: boolean;
  readonly sign?: 1 | -1;
  /** Seconds without a line, an hour in. */
  readonly gapS?: number;
  readonly celsius?: number;
  /** In series; one when left out. */
  readonly cells?: number;
}

/** A discharge from full to 3 V a cell as a CSV file, by a cell whose charge is known. */
export function dischargeLog({
  ampHours,
  milliOhm = 110,
  isComma = false,
  sign = 1,
  gapS = 0,
  celsius = 24,
  cells = 1,
}: LogOf): string {
  const chance = new Chance(18);
  const lines = ['Time (s);Voltage (V);Current (A);Temp (°C)'];
  const figure = (value: number, digits: number) => {
    const written = value.toFixed(digits);
    return isComma ? written.replace('.', ',') : written;
  };
  let [s, out, isGapDone] = [0, 0, gapS === 0];
  for (let at = 0; ; at += 1) {
    const isStep = at % 90 === 89;
    const ampere = isStep ? ampHours / 4 : ampHours / 2;
    const share = out / ampHours;
    // Falls to the cut-off under load just when the whole charge is out.
    const falls = (ampHours / 2) * (milliOhm / 1000);
    const rest = cells * 4.2 - cells * 0.6 * share - (cells * 0.6 - falls) * share ** 12;
    const volt = rest - (ampere * milliOhm) / 1000;
    lines.push([figure(s, 1), figure(volt, 4), figure(sign * ampere, 4), figure(celsius, 1)].join(';'));
    if (share >= 1) return `${lines.join('\n')}\n`;
    const isFlank = isStep || at % 90 === 88;
    const isGap = !isGapDone && s > 3600 && !isFlank;
    const seconds = isGap ? gapS : isFlank ? 1 : 1.5 + 1.5 * chance.next();
    if (isGap) isGapDone = true;
    const next = (at + 1) % 90 === 89 ? ampHours / 4 : ampHours / 2;
    out += (((ampere + next) / 2) * seconds) / 3600;
    s += seconds;
  }
}
