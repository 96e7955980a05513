import { grouped } from '@/core/shared/grouped';

export const contactKinds = ['supplier', 'customer'] as const;
export type ContactKind = (typeof contactKinds)[number];

/** Who parcels come from or go to, by the name that stands on their papers. */
export interface Contact {
  readonly kind: ContactKind;
  readonly name: string;
  /** On claims and packing lists, under the name; null when it is not said. */
  readonly address: string | null;
}

/** Somebody as a paper is addressed to them. */
export const addressed = (name: string, address: string | null): string =>
  address === null ? name : `${name}, ${address}`;

/** What somebody did with the shop, as it was counted. */
export interface Dealings extends Contact {
  /** Parcels that came, or shipments that went. */
  readonly lots: number;
  readonly units: number;
  /** Day of the latest, ISO; null before the first. */
  readonly lastOn: string | null;
}

/** One lot with somebody: a parcel that came or a shipment that went. */
export interface Lot {
  readonly name: string;
  readonly units: number;
  /** ISO day. */
  readonly lastOn: string;
}

/** Lots of everybody together, each under the name as it was first written. Names are the same whatever their capitals. */
export function countLots(kind: ContactKind, lots: readonly Lot[]): readonly Omit<Dealings, 'address'>[] {
  return [...grouped(lots, ({ name }) => name.trim().toLowerCase()).values()].map((own) => ({
    kind,
    name: own[0]?.name ?? '',
    lots: own.length,
    units: own.reduce((sum, { units }) => sum + units, 0),
    lastOn: own.reduce((latest, { lastOn }) => (lastOn > latest ? lastOn : latest), ''),
  }));
}

/**
 * Everybody with an address or a lot, each once: what was counted, with the address that was noted. Names are the same
 * whatever their capitals; the one that was counted is kept. Who dealt last comes first.
 */
export function dealingsOf(
  counted: readonly Omit<Dealings, 'address'>[],
  contacts: readonly Contact[],
): readonly Dealings[] {
  const keyOf = ({ kind, name }: Pick<Contact, 'kind' | 'name'>) => `${kind} ${name.trim().toLowerCase()}`;
  const all = new Map<string, Dealings>();
  for (const contact of contacts) all.set(keyOf(contact), { ...contact, lots: 0, units: 0, lastOn: null });
  for (const one of counted) all.set(keyOf(one), { address: all.get(keyOf(one))?.address ?? null, ...one });
  return [...all.values()].sort(
    (a, b) => (b.lastOn ?? '').localeCompare(a.lastOn ?? '') || a.name.localeCompare(b.name),
  );
}
