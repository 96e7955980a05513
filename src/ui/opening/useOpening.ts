'use client';
import { useEffect, useRef, useState } from 'react';
import { v4 as uuid } from 'uuid';
import type { LogEntry, OpeningLog } from '@/core/opening/openingLog';
import type { OpeningView } from '@/services/openings/readOpening';
import { browserLetters } from '@/ui/server/browserKeeps';
import { emptyOutbox, type OutboxState, type Rejected } from '@/ui/server/outbox';
import { send } from '@/ui/server/send';
import { bodyOf, logging, logOutbox, takingBack, withLog, withMoves, type LogMove } from './logOutbox';

export type NewStep = Omit<LogEntry, 'id' | 'seconds' | 'leg'>;

interface OpeningState {
  readonly logs: readonly OpeningLog[];
  readonly number: number;
  readonly leg: 'out' | 'back';
  readonly unsent: number;
  /** What the server would not take; kept until it was seen. */
  readonly rejected: readonly Rejected<LogMove>[];
  readonly settle: () => void;
  readonly log: (step: NewStep) => void;
  readonly takeBack: () => void;
  readonly setLeg: (leg: 'out' | 'back') => void;
  readonly nextLog: () => void;
}

/** The logs of a first opening as they grow. A step is timed from the one before it, and kept until the server has it. */
export function useOpening(view: OpeningView): OpeningState {
  const [logs, setLogs] = useState<readonly OpeningLog[]>(() =>
    view.logs.length > 0 ? view.logs : [{ number: 1, entries: [] }],
  );
  const [number, setNumber] = useState(() => Math.max(1, ...view.logs.map((log) => log.number)));
  const current = logs.find((log) => log.number === number) ?? { number, entries: [] };
  const [leg, setLeg] = useState<'out' | 'back'>(() => current.entries.at(-1)?.leg ?? 'out');
  const [{ waiting, rejected }, setOutbox] = useState<OutboxState<LogMove>>(emptyOutbox);
  const lastAt = useRef(0);
  const [outbox] = useState(() =>
    logOutbox({
      store: browserLetters(`opening ${view.id}`),
      post: (move) => send('POST', `/api/openings/${view.id}/steps`, bodyOf(move)),
      later: (work, ms) => void setTimeout(work, ms),
      onState: setOutbox,
    }),
  );
  useEffect(() => {
    lastAt.current = Date.now();
    void outbox.resume().then((left) => setLogs((before) => withMoves(before, left.waiting)));
  }, [outbox]);

  const put = (entries: readonly LogEntry[]) => setLogs((before) => withLog(before, { number, entries }));
  return {
    logs,
    number,
    leg,
    unsent: waiting.length,
    rejected,
    settle: () => rejected.forEach(({ letter }) => outbox.discard(letter.id)),
    log: (step) => {
      const now = Date.now();
      const entry: LogEntry = { ...step, id: uuid(), leg, seconds: Math.round((now - lastAt.current) / 100) / 10 };
      lastAt.current = now;
      put([...current.entries, entry]);
      outbox.add(logging(number, current.entries.length + 1, entry));
    },
    takeBack: () => {
      const last = current.entries.at(-1);
      if (!last) return;
      put(current.entries.slice(0, -1));
      // Here, if it still waits, and there, since it may be on its way.
      outbox.discard(last.id);
      outbox.add(takingBack(last.id));
    },
    setLeg,
    nextLog: () => {
      setNumber(number + 1);
      setLogs((before) => [...before, { number: number + 1, entries: [] }]);
      setLeg('out');
      lastAt.current = Date.now();
    },
  };
}
