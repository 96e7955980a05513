import type { SerialKnown } from '@/services/dock/findSerial';
import { stageNames } from '@/ui/words/names';

/** What to do with a scanned serial that no open line of this parcel has. */
export function saySerial(serial: string, parcelId: string, { line, unit }: SerialKnown): string {
  if (line && line.parcelId !== parcelId)
    return `${serial} belongs to “${line.parcel}”, line ${line.lineNo}: put it with that parcel, nothing was tagged here.`;
  if (unit) return `${serial} is tagged already: ${unit.tag} of “${unit.parcel}”, ${stageNames[unit.stage]}.`;
  return `${serial} is on no line that waits. Put it aside, or tag it off the list (X).`;
}

const nothing: SerialKnown = { line: null, unit: null };

/** Asks the server; while it is away the serial counts as known nowhere. */
export async function lookUpSerial(serial: string): Promise<SerialKnown> {
  const response = await fetch(`/api/serials/${encodeURIComponent(serial)}`).catch(() => null);
  return response?.ok ? ((await response.json()) as SerialKnown) : nothing;
}
