import { applyUndo } from './applyUndo';
import { define, type FactDefinition, type Said } from './define';
import { dockFacts } from './facts/dockFacts';
import { matchFacts } from './facts/matchFacts';
import { mendFacts } from './facts/mendFacts';
import { partFacts } from './facts/partFacts';
import { proofFacts } from './facts/proofFacts';
import { shelfFacts } from './facts/shelfFacts';
import { sheetFacts } from './facts/sheetFacts';
import { stepFacts } from './facts/stepFacts';
import { triageFacts } from './facts/triageFacts';
import type { Touched } from './world';

/** Everything that can happen. A new fact is a row in the file of its stage; everything else follows from here. */
const table = {
  ...dockFacts,
  ...triageFacts,
  ...sheetFacts,
  ...stepFacts,
  ...partFacts,
  ...shelfFacts,
  ...matchFacts,
  ...proofFacts,
  ...mendFacts,
  undone: define<{ readonly factId: string }>({
    subject: null,
    saidBy: 'technician',
    isPosted: true,
    involves: ({ factId }) => ({ undoes: factId }),
    effect: applyUndo,
  }),
};

export type FactType = keyof typeof table;

const typesOf = (facts: Partial<typeof table>) => Object.keys(facts) as readonly FactType[];

/** The kinds of fact by what they are about, as somebody asks for them. */
export const factKinds = {
  dock: typesOf(dockFacts),
  triage: typesOf(triageFacts),
  bench: [...typesOf(sheetFacts), ...typesOf(stepFacts)],
  parts: typesOf({ ...partFacts, ...shelfFacts }),
  match: typesOf(matchFacts),
  sale: typesOf(proofFacts),
  mended: [...typesOf(mendFacts), 'undone'],
} as const satisfies Readonly<Record<string, readonly FactType[]>>;

export type FactKind = keyof typeof factKinds;

/** What each fact says. */
export type Payloads = { [T in FactType]: (typeof table)[T] extends FactDefinition<infer P> ? P : never };

/** The definitions, by type. */
export const definitions: { readonly [T in FactType]: FactDefinition<Payloads[T]> } = table;

export const factTypes = Object.keys(table) as readonly FactType[];

/** A fact as the bench makes it: one of a union that its `type` tells apart. */
export type Fact<T extends FactType = FactType> = {
  [K in T]: Said<Payloads[K]> & {
    readonly type: K;
    /** The version of the subject that the person saw; null when the fact makes the subject. */
    readonly expects: number | null;
  };
}[T];

/** A fact in the log. Positions have no gaps. */
export type RecordedFact<T extends FactType = FactType> = Fact<T> & {
  readonly position: number;
  readonly personId: string;
  readonly bench: string;
  readonly receivedAt: string;
  readonly touched: readonly Pick<Touched, 'kind' | 'id'>[];
};
