import type { Knex } from 'knex';
import type { PrinterTrouble } from '@/core/instruments/printing';
import type { InstrumentKeyRow, LabelPrinterRow } from '@/data/rows';

/** A label printer that has asked for work of late. */
export interface HeardPrinter {
  readonly name: string;
  /** ISO in UTC. */
  readonly askedAt: string;
  readonly trouble: PrinterTrouble | null;
  readonly isSimulated: boolean;
}

export async function notePrinter(
  db: Knex,
  keyId: string,
  { trouble, isSimulated }: { readonly trouble: PrinterTrouble | null; readonly isSimulated: boolean },
  now: Date,
): Promise<void> {
  await db('label_printers')
    .insert({ key_id: keyId, asked_at: now, trouble, is_simulated: isSimulated })
    .onConflict('key_id')
    .merge();
}

/** Printers whose key still holds and that have asked since a time, by name. */
export async function heardPrinters(db: Knex, since: Date): Promise<readonly HeardPrinter[]> {
  const rows = (await db('label_printers as l')
    .join('instrument_keys as k', 'k.id', 'l.key_id')
    .whereNull('k.revoked_at')
    .where('l.asked_at', '>=', since)
    .orderBy('k.name')
    .select('l.*', 'k.name')) as (LabelPrinterRow & Pick<InstrumentKeyRow, 'name'>)[];
  return rows.map(({ name, asked_at, trouble, is_simulated }) => ({
    name,
    askedAt: asked_at.toISOString(),
    trouble,
    isSimulated: is_simulated === 1,
  }));
}
