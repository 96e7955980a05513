export const shopChangeKinds = [
  'person-added',
  'person-changed',
  'pin-renewed',
  'bench-added',
  'bench-changed',
  'doer-corrected',
  'rack-added',
  'rack-changed',
  'supply-counted',
  'supply-received',
  'supply-lead',
] as const;
export type ShopChangeKind = (typeof shopChangeKinds)[number];

export type FieldValue = string | boolean | null;

/** What a lead changed about a person, a bench or a rack: each field with what it was and what it became. */
export interface ShopChange {
  readonly kind: ShopChangeKind;
  /** The name of the person or the bench, the letters of the rack. */
  readonly about: string;
  readonly fields: readonly { readonly field: string; readonly from: FieldValue; readonly to: FieldValue }[];
}

/** The fields that differ, in the order of the later one. */
export const changedFields = <K extends string>(
  before: Readonly<Record<K, FieldValue>>,
  after: Readonly<Record<K, FieldValue>>,
): ShopChange['fields'] =>
  (Object.keys(after) as K[]).flatMap((field) =>
    before[field] === after[field] ? [] : [{ field, from: before[field], to: after[field] }],
  );
