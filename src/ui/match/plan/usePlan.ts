'use client';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { PlanRow, ToBuy } from '@/core/matching/planView';
import type { SlotWish, Wish } from '@/core/matchPlan/problem';
import type { Refusal } from '@/core/shared/outcome';
import { whose } from '@/ui/server/whose';
import type { ShopPlan } from '@/workers/match/matchJobs';
import type { MatchProgress } from '@/workers/match/matchWorker';

/** A plan as the page gets it. */
export interface PlanView extends Omit<ShopPlan, 'made'> {
  readonly rows: readonly PlanRow[];
  readonly toBuy: readonly ToBuy[];
  /** What classes of parts are called. */
  readonly names: Readonly<Record<string, string>>;
  /** Up to where the log was read. */
  readonly position: number;
  /** ISO in UTC: the stock of that moment. */
  readonly at: string;
}

/** What a lead asks of a plan. */
export interface PlanAsked {
  readonly days: number;
  readonly hours: number | null;
  readonly certifiedHours: number | null;
  /** Whatever was accepted before. */
  readonly isAnew: boolean;
  readonly wishes: readonly Wish[];
  readonly slotWishes: readonly SlotWish[];
}

export interface PlanNow {
  readonly view: PlanView | null;
  readonly refusal: Refusal | null;
  readonly isSolving: boolean;
  readonly progress: MatchProgress | null;
  /** Tags of units that become something else than in the plan before, where that was of the same wishes. */
  readonly changed: readonly string[];
  readonly again: () => void;
  readonly cancel: () => void;
}

interface Line {
  readonly progress?: MatchProgress;
  readonly plan?: PlanView;
  readonly refusal?: Refusal;
}

/** The plan for what is asked: sought again whenever that changes; what is no longer asked for is called off. */
export function usePlan(asked: PlanAsked): PlanNow {
  const [view, setView] = useState<PlanView | null>(null);
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const [progress, setProgress] = useState<PlanNow['progress']>(null);
  const [isSolving, setSolving] = useState(true);
  const [round, setRound] = useState(0);
  const [changed, setChanged] = useState<readonly string[]>([]);
  const shown = useRef<{ readonly said: string; readonly view: PlanView }>(null);
  const calling = useRef<AbortController>(null);
  const said = JSON.stringify(asked);
  useEffect(() => {
    const own = new AbortController();
    calling.current = own;
    void readLines(said, own.signal, (line) => {
      if (own.signal.aborted) return;
      if (line.progress) setProgress(line.progress);
      if (line.plan) {
        setChanged(shown.current?.said === said ? differing(shown.current.view, line.plan) : []);
        shown.current = { said, view: line.plan };
        setView(line.plan);
      }
      if (line.plan || line.refusal) setRefusal(line.refusal ?? null);
    }).finally(() => {
      if (!own.signal.aborted) setSolving(false);
    });
    return () => own.abort();
  }, [said, round]);
  const [last, setLast] = useState({ said, round });
  if (last.said !== said || last.round !== round) {
    setLast({ said, round });
    setSolving(true);
    setProgress(null);
  }
  return {
    view,
    refusal,
    isSolving,
    progress,
    changed,
    again: useCallback(() => setRound((before) => before + 1), []),
    cancel: useCallback(() => {
      calling.current?.abort();
      setSolving(false);
    }, []),
  };
}

/** Units of both plans that become something else in the later one. */
function differing(before: PlanView, after: PlanView): readonly string[] {
  const was = new Map(before.rows.map((row) => [row.tag, asSaid(row)]));
  return after.rows.filter((row) => was.has(row.tag) && was.get(row.tag) !== asSaid(row)).map(({ tag }) => tag);
}

const asSaid = ({ fate, sellsAt, fills }: PlanRow): string =>
  JSON.stringify([fate, sellsAt, fills.map(({ slot, from }) => [slot, from])]);

/** Reads an answer line by line, as it comes. */
async function readLines(body: string, signal: AbortSignal, take: (line: Line) => void): Promise<void> {
  const away = () => take({ refusal: { reason: 'server-away', values: {} } });
  const response = await fetch('/api/match-plan', {
    method: 'POST',
    headers: { 'content-type': 'application/json', 'plucky-by': whose()?.id ?? '' },
    body,
    signal,
  }).catch(() => undefined);
  if (!response?.body) return signal.aborted ? undefined : away();
  const reader = response.body.pipeThrough(new TextDecoderStream()).getReader();
  let rest = '';
  let hasEnd = false;
  for (;;) {
    const { value, done } = await reader.read().catch(() => ({ value: undefined, done: true }) as const);
    const lines = (rest + (value ?? '')).split('\n');
    rest = done ? '' : (lines.pop() ?? '');
    for (const line of lines) {
      if (line.trim() === '') continue;
      const read = JSON.parse(line) as Line;
      hasEnd ||= read.plan !== undefined || read.refusal !== undefined;
      take(read);
    }
    if (done) break;
  }
  if (!hasEnd && !signal.aborted) away();
}
