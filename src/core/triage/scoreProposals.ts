import type { Weighed } from '@/core/entities/entities';
import type { Disposition } from '@/core/entities/stages';
import type { DeviceTest, Finding } from '@/core/procedure/vocabulary';

/** One decision with what became of it. */
export interface Decision {
  readonly tag: string;
  /** Of its model. */
  readonly name: string;
  /** What was found on it, and the tests that failed. */
  readonly marks: readonly Finding[];
  readonly faults: readonly DeviceTest[];
  readonly proposed: Disposition;
  readonly chosen: Disposition;
  /** What was expected when it was decided; empty for decisions from before that was kept. */
  readonly weighed: readonly Weighed[];
  /** What it really brought; null while that is not known. */
  readonly actualCents: number | null;
}

/** A decision that can be judged. */
export interface Judged extends Decision {
  readonly actualCents: number;
  readonly expected: Weighed;
  readonly isHeld: boolean;
  /**
   * What the person's choice brought beyond what the proposal expected of its own; for a proposal that was followed, beyond
   * what it expected.
   */
  readonly byCents: number;
}

export interface ProposalScore {
  readonly decided: number;
  readonly followed: number;
  readonly judged: readonly Judged[];
  /** Of the judged, how many came out inside the range that was stated. */
  readonly held: number;
  /** Mean of what came beyond what was expected, in cents a unit. */
  readonly meanErrorCents: number;
  /** Overruled decisions that can be judged, how many of them were right, and by how much money in all. */
  readonly overruled: { readonly judged: number; readonly personRight: number; readonly gainCents: number };
}

/** How proposals did: how often they were followed, whether their ranges held, and who was right when they were not. */
export function scoreProposals(decisions: readonly Decision[]): ProposalScore {
  const judged = decisions.flatMap((decision): Judged[] => {
    const { actualCents, chosen, proposed, weighed } = decision;
    const expected = weighed.find(({ disposition }) => disposition === chosen);
    const rival = weighed.find(({ disposition }) => disposition === proposed);
    if (actualCents === null || !expected || !rival) return [];
    const isHeld = actualCents >= expected.lowCents && actualCents <= expected.highCents;
    return [{ ...decision, actualCents, expected, isHeld, byCents: actualCents - rival.cents }];
  });
  const overruled = judged.filter(({ chosen, proposed }) => chosen !== proposed);
  const sum = (values: readonly number[]) => values.reduce((total, value) => total + value, 0);
  return {
    decided: decisions.length,
    followed: decisions.filter(({ chosen, proposed }) => chosen === proposed).length,
    judged: [...judged].sort((a, b) => Math.abs(b.byCents) - Math.abs(a.byCents)),
    held: judged.filter(({ isHeld }) => isHeld).length,
    meanErrorCents:
      judged.length === 0
        ? 0
        : Math.round(sum(judged.map(({ actualCents, expected }) => actualCents - expected.cents)) / judged.length),
    overruled: {
      judged: overruled.length,
      personRight: overruled.filter(({ byCents }) => byCents > 0).length,
      gainCents: sum(overruled.map(({ byCents }) => byCents)),
    },
  };
}
