import { lookNames, type LookName, type Looks } from '@/core/procedure/looks';

export interface LookQuestion {
  readonly look: LookName;
  /** Answers that some candidate gives, with how many are left then, most first. */
  readonly options: readonly { readonly value: string; readonly left: number }[];
}

/**
 * The question that leaves the fewest candidates, on the mean over them: each is as likely as the next.
 *
 * @param asked  looks that were asked already, answered or not
 * @returns null when no question tells the candidates apart
 * Source: expected size of the class that remains, Σ n²/N
 */
export function bestQuestion(
  candidates: readonly { readonly looks: Looks }[],
  asked: readonly LookName[],
): LookQuestion | null {
  let best: { question: LookQuestion; left: number } | null = null;
  for (const look of lookNames.filter((name) => !asked.includes(name))) {
    const counts = new Map<string, number>();
    for (const { looks } of candidates) counts.set(looks[look], (counts.get(looks[look]) ?? 0) + 1);
    if (counts.size < 2) continue;
    const left = [...counts.values()].reduce((sum, count) => sum + count ** 2, 0) / candidates.length;
    if (best && left >= best.left) continue;
    const options = [...counts].map(([value, count]) => ({ value, left: count }));
    best = {
      left,
      question: { look, options: options.sort((a, b) => b.left - a.left || a.value.localeCompare(b.value)) },
    };
  }
  return best?.question ?? null;
}
