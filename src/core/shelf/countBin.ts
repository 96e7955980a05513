/** A part as it is booked. */
export interface Booked {
  readonly tag: string;
  readonly bin: string | null;
  readonly place: string;
}

/** What a count found: where every tag was seen. */
export interface Seen {
  readonly tag: string;
  readonly bin: string;
}

export interface CountResult {
  /** Where they should be. */
  readonly right: readonly string[];
  /** Booked in one of the bins that were counted, and not seen anywhere. */
  readonly missing: readonly Booked[];
  /** Seen in another bin than they are booked in, or booked nowhere on the shelf. */
  readonly moved: readonly { readonly booked: Booked; readonly seenIn: string }[];
  /** Tags that no part has. */
  readonly unknown: readonly Seen[];
  /** Seen in two bins. */
  readonly twice: readonly string[];
}

/**
 * Holds what was seen against what is booked. A tag seen more than once in one bin counts once; one seen in two bins is said,
 * and nothing follows from it.
 *
 * @param counted  the bins that were gone through, also those in which nothing was seen
 * @param booked   all parts that are booked in those bins, and all whose tags were seen
 */
export function countResult(counted: readonly string[], booked: readonly Booked[], seen: readonly Seen[]): CountResult {
  const byTag = new Map(booked.map((part) => [part.tag, part]));
  const binsOf = new Map<string, Set<string>>();
  for (const { tag, bin } of seen) binsOf.set(tag, (binsOf.get(tag) ?? new Set()).add(bin));
  const result = { right: [] as string[], moved: [] as CountResult['moved'][number][], unknown: [] as Seen[] };
  const twice: string[] = [];
  for (const [tag, bins] of binsOf) {
    const part = byTag.get(tag);
    const [bin = ''] = bins;
    if (bins.size > 1) twice.push(tag);
    else if (!part) result.unknown.push({ tag, bin });
    else if (part.bin === bin) result.right.push(tag);
    else result.moved.push({ booked: part, seenIn: bin });
  }
  const missing = booked.filter(({ tag, bin }) => bin !== null && counted.includes(bin) && !binsOf.has(tag));
  return { ...result, missing, twice };
}
