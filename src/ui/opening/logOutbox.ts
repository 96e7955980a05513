import type { LogEntry, OpeningLog } from '@/core/opening/openingLog';
import type { Outcome } from '@/core/shared/outcome';
import { Outbox, oneByOne, type Letter, type LetterStore, type OutboxState } from '@/ui/server/outbox';

/** What a person did to a log: one request each. */
export type LogMove = Letter &
  (
    | { readonly does: 'log'; readonly log: number; readonly place: number; readonly entry: LogEntry }
    | { readonly does: 'take-back'; readonly entryId: string }
  );

interface Doors {
  readonly store: LetterStore<LogMove>;
  readonly post: (move: LogMove) => Promise<Outcome<unknown>>;
  readonly later: (work: () => void, ms: number) => void;
  readonly onState: (state: OutboxState<LogMove>) => void;
}

/** Sends what is done to a log, step by step. */
export function logOutbox({ post, ...doors }: Doors): Outbox<LogMove, unknown> {
  return new Outbox<LogMove, unknown>({
    ...doors,
    onAnswer: () => undefined,
    ...oneByOne(async (move) => {
      const outcome = await post(move);
      // A step that never arrived needs no taking back.
      const isMoot = move.does === 'take-back' && !outcome.ok && outcome.refusal.reason === 'not-found';
      return isMoot ? { ok: true, value: null } : outcome;
    }),
  });
}

export const logging = (log: number, place: number, entry: LogEntry): LogMove => ({
  id: entry.id,
  does: 'log',
  log,
  place,
  entry,
});

/** Has an id of its own: the step that it takes back may still be waiting. */
export const takingBack = (entryId: string): LogMove => ({ id: `undo ${entryId}`, does: 'take-back', entryId });

/** A move as the route takes it. */
export function bodyOf(move: LogMove): object {
  return move.does === 'log'
    ? { does: move.does, log: move.log, place: move.place, entry: move.entry }
    : { does: move.does, entryId: move.entryId };
}

/** The logs with the moves that the server has not answered yet. */
export function withMoves(logs: readonly OpeningLog[], moves: readonly LogMove[]): readonly OpeningLog[] {
  return moves.reduce<readonly OpeningLog[]>((before, move) => {
    if (move.does === 'take-back')
      return before.map((log) => ({ ...log, entries: log.entries.filter(({ id }) => id !== move.entryId) }));
    const { number, entries } = before.find((log) => log.number === move.log) ?? { number: move.log, entries: [] };
    if (entries.some(({ id }) => id === move.entry.id)) return before;
    return withLog(before, { number, entries: [...entries, move.entry] });
  }, logs);
}

/** The logs with one of them replaced or added, in their order. */
export const withLog = (logs: readonly OpeningLog[], log: OpeningLog): readonly OpeningLog[] =>
  [...logs.filter(({ number }) => number !== log.number), log].sort((a, b) => a.number - b.number);
