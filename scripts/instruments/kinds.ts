import type { Chance } from '@/core/shared/chance';

/** One thing that a stand-in can be made to read: what it says, and whether that is as it should be. */
export interface Act {
  readonly id: string;
  readonly label: string;
  /** Parts of the messages that it sends, one after the other; without an id and a time, which the stand-in adds. */
  readonly says: (chance: Chance) => readonly Readonly<Record<string, unknown>>[];
  /** Seconds by which its clock is off. */
  readonly clockOffS?: number;
  /** The last message goes out twice. */
  readonly isTwice?: boolean;
  /** So many messages a second; at once where it is left out. */
  readonly perSecond?: number;
}

export interface Kind {
  readonly name: string;
  readonly acts: readonly Act[];
}

const rounded = (value: number, step: number) => Math.round(value / step) * step;
const near = (chance: Chance, middle: number, spread: number, step: number): number =>
  Number(rounded(middle + chance.between(-spread, spread), step).toFixed(4));

/** A gauge that reads one number: good, bad, and broken in the ways in which such things break. */
function gauge(
  name: string,
  unit: string,
  of: {
    readonly good: number;
    readonly bad: number;
    readonly spread: number;
    readonly step: number;
    readonly plusMinus: number;
  },
  wrongUnit: { readonly unit: string; readonly factor: number },
): Kind {
  const { good, bad, spread, step, plusMinus } = of;
  const read = (middle: number) => (chance: Chance) => [{ value: near(chance, middle, spread, step), unit, plusMinus }];
  return {
    name,
    acts: [
      { id: 'good', label: 'A good part', says: read(good) },
      { id: 'bad', label: 'A bad part', says: read(bad) },
      {
        id: 'other-unit',
        label: `Says it in ${wrongUnit.unit}`,
        says: (chance) => [
          {
            value: Number((near(chance, good, spread, step) * wrongUnit.factor).toPrecision(8)),
            unit: wrongUnit.unit,
            plusMinus: plusMinus * wrongUnit.factor,
          },
        ],
      },
      {
        id: 'thousandfold',
        label: 'Broken: a thousandfold',
        says: () => [{ value: 1000 * Math.max(1, Math.abs(bad)) * 100, unit }],
      },
      { id: 'no-value', label: 'Broken: no value', says: () => [{ unit }] },
      { id: 'late', label: 'Clock ten minutes slow', says: read(good), clockOffS: -600 },
      { id: 'twice', label: 'Says it twice', says: read(good), isTwice: true },
      {
        id: 'other-part',
        label: 'Read another part',
        says: (chance) => [{ value: near(chance, good, spread, step), unit, part: 'P-99999' }],
      },
      {
        id: 'flood',
        label: 'Broken: floods',
        says: (chance) => Array.from({ length: 1000 }, () => ({ value: near(chance, good, spread, step), unit })),
      },
    ],
  };
}

const oneCell = { cells: 1, ampHours: 3.9 };
const packOfThree = { cells: 3, ampHours: 4.2 };

/** A discharge as an analyser streams it: constant current with two dips, from full to the cut-off. */
function discharge(
  chance: Chance,
  share: number,
  { cells, ampHours }: { readonly cells: number; readonly ampHours: number } = oneCell,
): readonly Readonly<Record<string, unknown>>[] {
  const [ampere, resistance, every, together] = [2, 0.07, 2, 80];
  const seconds = (ampHours * share * 3600) / ampere;
  const samples: number[][] = [];
  for (let at = 0; at <= seconds + every; at += every) {
    const left = Math.max(0, 1 - at / seconds);
    const now = Math.floor(at / 600) % 2 === 1 && at % 600 < 60 ? ampere / 2 : ampere;
    const open = 3.05 + 0.75 * left + 0.4 * left ** 8 + 0.12 * (1 - Math.exp(-12 * left));
    const each = open - now * resistance + chance.between(-0.001, 0.001);
    samples.push([at, Number((cells * each).toFixed(4)), -now, 24]);
  }
  const messages: { samples: number[][]; isLast?: boolean }[] = [];
  for (let from = 0; from < samples.length; from += together)
    messages.push({ samples: samples.slice(from, from + together) });
  return [...messages, { samples: [], isLast: true }];
}

/** The stand-ins, by the name that the message knows them by. */
export const kinds: Readonly<Record<string, Kind>> = {
  calliper: gauge(
    'Calliper',
    'mm',
    { good: 0.05, bad: 0.9, spread: 0.02, step: 0.01, plusMinus: 0.02 },
    { unit: 'µm', factor: 1000 },
  ),
  'flatness-gauge': gauge(
    'Flatness gauge',
    'mm',
    { good: 0.1, bad: 1.4, spread: 0.02, step: 0.01, plusMinus: 0.02 },
    { unit: 'µm', factor: 1000 },
  ),
  'surface-probe': gauge(
    'Surface probe',
    'µm',
    { good: 1.4, bad: 120, spread: 0.3, step: 0.1, plusMinus: 1 },
    { unit: 'mm', factor: 0.001 },
  ),
  'torque-driver': gauge(
    'Torque driver',
    'N·cm',
    { good: 41, bad: 16, spread: 1, step: 0.1, plusMinus: 1 },
    { unit: 'mNm', factor: 10 },
  ),
  'sound-level': gauge(
    'Sound level meter',
    'dB',
    { good: 76, bad: 60, spread: 0.5, step: 0.1, plusMinus: 1 },
    { unit: 'dB(A)', factor: 1 },
  ),
  'leak-tester': gauge(
    'Leak tester',
    'mbar',
    { good: 1, bad: 22, spread: 0.3, step: 0.1, plusMinus: 0.4 },
    { unit: 'Pa', factor: 100 },
  ),
  scale: gauge(
    'Scale',
    'g',
    { good: 48, bad: 55, spread: 0.2, step: 0.1, plusMinus: 0.1 },
    { unit: 'kg', factor: 0.001 },
  ),
  analyser: {
    name: 'Battery analyser',
    acts: [
      { id: 'good', label: 'A good cell, 3.9 Ah', says: (chance) => discharge(chance, 0.94), perSecond: 20 },
      { id: 'bad', label: 'A worn cell, 3.9 Ah', says: (chance) => discharge(chance, 0.71), perSecond: 20 },
      {
        id: 'pack',
        label: 'A good pack of three, 4.2 Ah',
        says: (chance) => discharge(chance, 0.93, packOfThree),
        perSecond: 20,
      },
      {
        id: 'worn-pack',
        label: 'A worn pack of three, 4.2 Ah',
        says: (chance) => discharge(chance, 0.72, packOfThree),
        perSecond: 20,
      },
      {
        id: 'silent',
        label: 'Broken: falls silent half way',
        says: (chance) => discharge(chance, 0.94).slice(0, 12),
        perSecond: 20,
      },
      {
        id: 'resistance',
        label: 'Reads resistance alone',
        says: (chance) => [{ value: near(chance, 80, 5, 0.1), unit: 'mOhm', plusMinus: 3 }],
      },
      {
        id: 'share',
        label: 'Reads capacity against rated alone',
        says: (chance) => [{ value: near(chance, 91, 2, 0.1), unit: '%', plusMinus: 1.5 }],
      },
    ],
  },
  scanner: {
    name: 'Scanner',
    acts: [
      { id: 'part', label: 'A part: P-20402', says: () => [{ code: 'P-20402' }] },
      { id: 'bin', label: 'A bin: A01', says: () => [{ code: 'BIN-A01' }] },
      { id: 'nothing', label: 'Some code', says: () => [{ code: 'GLOVES-7' }] },
    ],
  },
};
