/** What is counted of a unit and its parts, and added up over all units. */
export const tallyKinds = [
  /** Parts sought in donors by model, parcel, part and finding ('' for all): how many, and how many came out good. */
  'sought',
  /** Where steps of a model came to an end, by step and rung: how many, and how many yielded there. */
  'resisted',
  /** Quick tests by parcel and test: how many, and how many were sound. */
  'tested',
  /** Units that were decided about by model and parcel. */
  'looked',
  /** The same by model, on which a quick test was made. */
  'look-tested',
  /** The same by parcel, on which something was found. */
  'look-found',
  /** Defects by code and part. */
  'defect',
  /** Units by stage, and by parcel and stage. */
  'stage',
  'parcel-stage',
  /** Units by parcel that stand for a line of its list. */
  'lined',
  /** Parts by place. */
  'place',
  /** Parts on the shelf by class, and grade with category; parts that lie in a bin by bin, class and grade. */
  'stock',
  'bin',
  /** Assemblies on the shelf with parts of their transfer list on them, by class and grade, and model with those parts. */
  'whole',
  /** Parts set aside for a build by class and day (UTC, by the bench's clock). */
  'used',
  /** Parts put on the shelf by day, and scrapped from it. */
  'shelved',
  'unshelved',
  /** Steps of the way back that were done, by model, operation and day; spare screws that went in, by model, step and day. */
  'closed',
  'screwed',
  /** Units by shipment, and minute and recipient of its sending. */
  'sent',
] as const;
export type TallyKind = (typeof tallyKinds)[number];

/** So many of one kind; what a kind is not counted by is ''. */
export interface Tally {
  readonly kind: TallyKind;
  readonly modelId: string;
  readonly parcelId: string;
  readonly about: string;
  readonly more: string;
  readonly count: number;
  /** How many of them were good, where that is asked. */
  readonly good: number;
}

export type TallyKey = Omit<Tally, 'count' | 'good'>;

export const tallyKey = ({ kind, modelId, parcelId, about, more }: TallyKey): string =>
  [kind, modelId, parcelId, about, more].join('\n');

/** Counts gathered one by one, those of one key together. */
export class TallySheet {
  private readonly rows = new Map<string, Tally>();

  add(of: Partial<TallyKey> & Pick<Tally, 'kind' | 'about'>, good = 0, count = 1): void {
    const key: TallyKey = { modelId: '', parcelId: '', more: '', ...of };
    const name = tallyKey(key);
    const so = this.rows.get(name) ?? { ...key, count: 0, good: 0 };
    this.rows.set(name, { ...so, count: so.count + count, good: so.good + good });
  }

  /** Those that are not nothing, in a steady order. */
  list(): readonly Tally[] {
    return [...this.rows]
      .filter(([, { count, good }]) => count !== 0 || good !== 0)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([, row]) => row);
  }
}

/** What has to be added to some counts to make others of them. */
export function tallyChange(before: readonly Tally[], after: readonly Tally[]): readonly Tally[] {
  const sheet = new TallySheet();
  for (const { count, good, ...of } of after) sheet.add(of, good, count);
  for (const { count, good, ...of } of before) sheet.add(of, -good, -count);
  return sheet.list();
}
