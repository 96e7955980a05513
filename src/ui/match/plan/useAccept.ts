'use client';
import { useState } from 'react';
import type { PlanRow } from '@/core/matching/planView';
import { fates } from '@/core/matchPlan/problem';
import type { Refusal } from '@/core/shared/outcome';
import { send } from '@/ui/server/send';

/** What became of units that were accepted. */
export interface Accepted {
  readonly done: readonly {
    readonly tag: string;
    readonly isDecided: boolean;
    readonly reserved: number;
    readonly promised: number;
    readonly isReady: boolean;
  }[];
  readonly refused: readonly { readonly id: string; readonly refusal: Refusal }[];
}

/** So many units go to the server at a time: what is done is seen while the rest goes on. */
const atOnce = 40;

/** Units of which something is to be accepted; a build that lacks nothing goes to its bench. */
const isToAccept = ({ fate, isNews }: PlanRow): boolean => fate !== 'hold' && (isNews || fate === 'build');

/** The unit with the donors that it counts on: without them nothing would be promised to it. */
export const withDonors = (rows: readonly PlanRow[], row: PlanRow): readonly PlanRow[] => {
  const donors = new Set(row.fills.flatMap(({ is, from }) => (is === 'donor' ? [from] : [])));
  return [...rows.filter(({ tag }) => donors.has(tag)), row];
};

/** Accepts units of a plan, donors first: what they give is promised to whoever waits for it. */
export function useAccept(onDone: () => void) {
  const [accepted, setAccepted] = useState<Accepted | null>(null);
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const [isBusy, setBusy] = useState(false);
  const accept = async (rows: readonly PlanRow[]) => {
    const units = rows
      .filter(isToAccept)
      .toSorted((a, b) => fates.indexOf(b.fate) - fates.indexOf(a.fate))
      .map(({ id, version, fate, proposed, fills, gives }) => ({
        ...{ id, version, fate, proposed: proposed ?? fate },
        fills: fills.filter(({ is }) => is === 'lot').map(({ slot, from }) => ({ slot, from })),
        gives: gives.flatMap(({ slot, to }) => (to ? [{ slot, for: to.tag }] : [])),
      }));
    setBusy(true);
    setRefusal(null);
    let all: Accepted = { done: [], refused: [] };
    for (let from = 0; from < units.length; from += atOnce) {
      const some = units.slice(from, from + atOnce);
      const outcome = await send<Accepted>('POST', '/api/match-plan/accept', { units: some });
      if (!outcome.ok) {
        setRefusal(outcome.refusal);
        break;
      }
      const { done, refused } = outcome.value;
      all = { done: [...all.done, ...done], refused: [...all.refused, ...refused] };
      setAccepted(all);
    }
    setBusy(false);
    onDone();
  };
  return { accepted, refusal, isBusy, accept: (rows: readonly PlanRow[]) => void accept(rows) };
}
