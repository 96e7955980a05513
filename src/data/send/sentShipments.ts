import type { Tallies } from '@/data/tallies/readTallies';

/** Units that left together. */
export interface SentShipment {
  readonly shipment: string;
  readonly recipient: string;
  readonly units: number;
  /** When its last unit left, ISO in UTC to the minute. */
  readonly sentAt: string;
}

/** All shipments, the latest first. */
export function sentShipments({ sent }: Tallies<'sent'>): readonly SentShipment[] {
  const all = new Map<string, SentShipment>();
  for (const { about: shipment, more, count } of sent) {
    const at = `${more.slice(0, more.indexOf(' '))}:00.000Z`;
    const before = all.get(shipment);
    const isLater = before === undefined || at > before.sentAt;
    all.set(shipment, {
      shipment,
      units: (before?.units ?? 0) + count,
      recipient: isLater ? more.slice(more.indexOf(' ') + 1) : before.recipient,
      sentAt: isLater ? at : before.sentAt,
    });
  }
  return [...all.values()].sort((a, b) => Number(b.shipment.slice(2)) - Number(a.shipment.slice(2)));
}
