import 'server-only';

/** What watches this process, hung up by scripts/server/watch.cjs; nothing does so under `next dev`. */
interface Watch {
  /** What was counted, by all processes of this server, in the open exposition format. */
  readonly metrics: () => Promise<string>;
  /** Notes a query, its text with placeholders, and how long it took. */
  readonly query: (sql: string, ms: number) => void;
  /** Notes how the typing of a PIN ended. */
  readonly signIn: (outcome: string, fields: Readonly<Record<string, string>>) => void;
}

export const watch = (): Watch | undefined => (globalThis as typeof globalThis & { pluckyWatch?: Watch }).pluckyWatch;
