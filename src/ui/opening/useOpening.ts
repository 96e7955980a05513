'use client';
import { useEffect, useMemo, useRef, useState } from 'react';
import { v4 as uuid } from 'uuid';
import type { LogEntry, OpeningLog } from '@/core/opening/openingLog';
import type { OpeningView } from '@/services/openings/readOpening';
import { send } from '@/ui/models/requests';
import { LogSender, type UnsentStep } from './logSender';

export type NewStep = Omit<LogEntry, 'id' | 'seconds' | 'leg'>;

interface OpeningState {
  readonly logs: readonly OpeningLog[];
  readonly number: number;
  readonly leg: 'out' | 'back';
  readonly unsent: number;
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
  const [unsent, setUnsent] = useState(0);
  const lastAt = useRef(0);
  const key = `plucky-opening-${view.id}`;
  const sender = useMemo(() => {
    const kept = typeof localStorage === 'undefined' ? null : localStorage.getItem(key);
    return new LogSender(kept === null ? [] : (JSON.parse(kept) as UnsentStep[]), {
      post: (body) => send('POST', `/api/openings/${view.id}/steps`, body),
      keep: (steps) =>
        steps.length === 0 ? localStorage.removeItem(key) : localStorage.setItem(key, JSON.stringify(steps)),
      later: (work, ms) => void setTimeout(work, ms),
      onChange: setUnsent,
    });
  }, [key, view.id]);
  useEffect(() => {
    lastAt.current = Date.now();
    void sender.send();
  }, [sender]);

  const put = (entries: readonly LogEntry[]) =>
    setLogs((before) =>
      [...before.filter((log) => log.number !== number), { number, entries }].sort((a, b) => a.number - b.number),
    );
  return {
    logs,
    number,
    leg,
    unsent,
    log: (step) => {
      const now = Date.now();
      const entry: LogEntry = { ...step, id: uuid(), leg, seconds: Math.round((now - lastAt.current) / 100) / 10 };
      lastAt.current = now;
      put([...current.entries, entry]);
      sender.add({ log: number, place: current.entries.length + 1, entry });
    },
    takeBack: () => {
      const last = current.entries.at(-1);
      if (!last) return;
      put(current.entries.slice(0, -1));
      void sender.takeBack(last.id);
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
