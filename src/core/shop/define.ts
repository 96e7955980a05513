import type { Change, World } from './world';
import type { EntityKind } from '@/core/entities/entities';
import type { BitUse } from '@/core/screws/bitWear';
import type { Role } from '@/core/people/roles';
import type { Outcome } from '@/core/shared/outcome';

/** What every fact says beside its payload. */
export interface Said<P> {
  readonly id: string;
  readonly subjectId: string;
  /** When it happened by the bench's clock, ISO in UTC. */
  readonly at: string;
  /** The version of the house rules by which it was said; absent where the fact depends on none. */
  readonly rulesVersion?: number;
  /** Where it was done, where that is not where its sender is signed in. */
  readonly bench?: string;
  /** Whole seconds that the clock which dated it was ahead of the server's; `at` is put right by them. Absent when it was right. */
  readonly clockOffS?: number;
  readonly payload: P;
}

/** What a fact does, given the world it meets. */
export type Effect<P> = (world: World, fact: Said<P>) => Outcome<readonly Change[]>;

/** Finds what a fact is about, or refuses when it may not be changed now. */
export type Finder<S, P> = (world: World, fact: Said<P>) => Outcome<S>;

/** The effect on what a finder found; what the finder refuses is refused. */
export const on =
  <S, P>(
    find: Finder<S, NoInfer<P>>,
    effect: (found: S, fact: Said<P>, world: World) => Outcome<readonly Change[]>,
  ): Effect<P> =>
  (world, fact) => {
    const found = find(world, fact);
    return found.ok ? effect(found.value, fact, world) : found;
  };

/** What a fact looks at or changes beside its subject: it is loaded, and locked, before the fact is judged. */
export interface Involves {
  readonly keys?: readonly { readonly kind: EntityKind; readonly id: string }[];
  readonly parcelCode?: string;
  readonly serial?: string;
  readonly line?: { readonly parcelId: string; readonly lineNo: number };
  readonly model?: { readonly modelId: string; readonly modelVersion: number };
  /** Whether all that lies in the subject, a parcel, is looked at: its list, and whether units were tagged. */
  readonly needsContents?: boolean;
  readonly undoes?: string;
  /** The parts that came out of the subject, a unit. */
  readonly needsOwnParts?: boolean;
  /** The unit that the subject, a part, came out of. */
  readonly needsOrigin?: boolean;
  /** Units that wait on fixtures. */
  readonly needsTimers?: boolean;
  /** Whether the subject's serial was reported lost. */
  readonly needsLostReports?: boolean;
}

/** What the server knows when it takes a fact in, and the log should keep. */
export interface TakenIn {
  readonly unitTags: readonly string[];
  readonly partTags: readonly string[];
  /** What it did with the bits of the bench. */
  readonly bits: readonly BitUse[];
  readonly changes: readonly Change[];
}

/** Everything there is to know of one kind of fact, but its request class (`dto/facts`) and its sentence (`words`). */
export interface FactDefinition<P> {
  /** The kind of thing it is about; null for an undo, which is about whatever the undone fact was about. */
  readonly subject: EntityKind | null;
  readonly makesSubject: boolean;
  readonly saidBy: Role;
  /** Whether a browser may send it. */
  readonly isPosted: boolean;
  /** Whether what it does depends on the house rules: the log then keeps by which version it was said. */
  readonly usesRules: boolean;
  readonly involves: (payload: P) => Involves;
  readonly effect: Effect<P>;
  /** How many new tags it needs. */
  readonly tagsNeeded: (payload: P) => { readonly unit: number; readonly part: number };
  /** The payload as the log keeps it. */
  readonly completed: (payload: P, takenIn: TakenIn) => P;
  /** Tags whose labels go to the printer with it. */
  readonly printsLabels: (changes: readonly Change[]) => readonly string[];
}

type Given<P> = Pick<FactDefinition<P>, 'subject' | 'saidBy' | 'isPosted' | 'effect'> & Partial<FactDefinition<P>>;

/** A row of the table of facts: what is left out is the plain case. */
export const define = <P>(given: Given<P>): FactDefinition<P> => ({
  makesSubject: false,
  usesRules: false,
  involves: () => ({}),
  tagsNeeded: () => ({ unit: 0, part: 0 }),
  completed: (payload) => payload,
  printsLabels: () => [],
  ...given,
});

/** A fact that says nothing more than that it happened. */
export type Nothing = Readonly<Record<never, never>>;
