'use client';
import { useRef, useState } from 'react';
import type { Wish } from '@/core/instruments/landing';
import type { CellSample } from '@/core/instruments/message';
import { useTakeScanned } from '@/ui/keys/KeysProvider';
import { instrumentNames } from '@/words/say/instrumentName';
import { sayRefusal } from '@/words/say/sentences';
import * as texts from '@/words/catalogue/instruments';
import { useInstruments } from './useInstruments';

/** What an analyser has streamed of a run so far. */
export interface LiveRun {
  readonly samples: readonly CellSample[];
  readonly isOver: boolean;
}

interface Heard {
  /** What the last instrument said, or why it was not taken. */
  readonly said: string | null;
  readonly isFault: boolean;
  readonly run: LiveRun | null;
}

/**
 * Readings of the bench's instruments for the part in hand: each lands in its field; codes are taken as if a scanner had typed
 * them; what was refused is said.
 */
export function useHeardParts(
  part: string,
  wants: readonly Wish[],
  onValue: (wish: Wish, value: number, plusMinus: number | undefined) => void,
): Heard {
  const [heard, setHeard] = useState<Heard>({ said: null, isFault: false, run: null });
  const run = useRef<readonly CellSample[]>([]);
  const takeScanned = useTakeScanned();
  useInstruments(part, wants, ({ message, became }) => {
    const instrument = instrumentNames[message.instrument];
    if (!became.ok) return setHeard((before) => ({ ...before, said: sayRefusal(became.refusal), isFault: true }));
    const landed = became.value;
    if (landed.is === 'code') {
      const isTaken = takeScanned(landed.code);
      return setHeard((before) => ({
        ...before,
        said: isTaken ? null : texts.codeOfNothing({ code: landed.code }),
        isFault: !isTaken,
      }));
    }
    if (landed.is === 'value') {
      onValue(landed.wish, landed.value, landed.plusMinus);
      return setHeard((before) => ({
        ...before,
        said: texts.reads({ instrument, value: landed.value }),
        isFault: false,
      }));
    }
    const samples = [...run.current, ...(message.samples ?? [])];
    run.current = message.isLast ? [] : samples;
    setHeard({
      said: texts.streams({ instrument, count: samples.length }),
      isFault: false,
      run: { samples, isOver: message.isLast === true },
    });
    return undefined;
  });
  return heard;
}
