/** Counts as if each trial had come in a parcel of its own: trials that have nothing to do with each other. */
export const inManyParcels = <Count extends { readonly good: number; readonly sought: number }>(
  counts: readonly Count[],
): readonly (Count & { readonly parcelId: string })[] =>
  counts.flatMap((count) =>
    Array.from({ length: count.sought }, (_, at) => ({
      ...count,
      parcelId: `${at}`,
      good: at < count.good ? 1 : 0,
      sought: 1,
    })),
  );
