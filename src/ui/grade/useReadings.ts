'use client';
import { useState } from 'react';
import type { CellRecord } from '@/core/battery/cellRecord';
import type { Part } from '@/core/entities/entities';
import type { Attribute, Readings } from '@/core/grading/attributes';
import { plusMinusOf, type PlusMinus } from '@/core/grading/doubt';

interface Half {
  readonly readings: Readings;
  readonly plusMinus: PlusMinus;
  /** How often each was read, where that was more than once. */
  readonly times: Readonly<Record<string, number>>;
  readonly cell: CellRecord;
}

/** Readings of parts that somebody left in the middle, as long as this page lives. */
const halfRead = new Map<string, Half>();

/** What is read off a part, kept while somebody looks elsewhere; begun with what a part was graded by that is graded again. */
export function useReadings(part: Part, isBlind: boolean) {
  // A blind look begins with nothing, and is kept apart from what is mended.
  const key = isBlind ? `${part.id} blind` : part.id;
  const [half, setHalf] = useState<Half>(
    () =>
      halfRead.get(key) ?? {
        readings: isBlind ? {} : part.readings,
        plusMinus: isBlind ? {} : (part.plusMinus ?? {}),
        times: {},
        cell: isBlind ? {} : (part.cell ?? {}),
      },
  );
  const keep = (next: Half) => {
    halfRead.set(key, next);
    setHalf(next);
  };
  /** @param plusMinus  what the instrument said of it; else what instruments of its kind have */
  const read = (id: string, reading: number | string, plusMinus?: number) => {
    const { [id]: _, ...others } = half.plusMinus;
    const { [id]: __, ...times } = half.times;
    keep({
      ...half,
      readings: { ...half.readings, [id]: reading },
      plusMinus: plusMinus === undefined ? others : { ...others, [id]: plusMinus },
      times,
    });
  };
  /** One more reading of the same: the mean of all, whose interval is narrower by the root of their number. */
  const readAgain = (attribute: Attribute, reading: number | string) => {
    const before = half.readings[attribute.id];
    if (attribute.kind === 'choice' || typeof before !== 'number' || typeof reading !== 'number')
      return read(attribute.id, reading);
    const times = half.times[attribute.id] ?? 1;
    const spread = plusMinusOf(attribute, half.plusMinus) * Math.sqrt(times / (times + 1));
    const mean = Math.round(((before * times + reading) / (times + 1)) * 1e4) / 1e4;
    keep({
      ...half,
      readings: { ...half.readings, [attribute.id]: mean },
      plusMinus: { ...half.plusMinus, [attribute.id]: Math.round(spread * 1e4) / 1e4 },
      times: { ...half.times, [attribute.id]: times + 1 },
    });
  };
  return {
    ...half,
    read,
    readAgain,
    keepCell: (cell: CellRecord, more: Readings = {}, plusMinus: PlusMinus = {}) =>
      keep({
        ...half,
        cell: { ...half.cell, ...cell },
        readings: { ...half.readings, ...more },
        plusMinus: { ...half.plusMinus, ...plusMinus },
      }),
    forget: () => halfRead.delete(key),
  };
}
