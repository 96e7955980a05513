import type { SerialKnown } from '@/services/dock/findSerial';
import { stageNames } from '@/words/say/names';
import { send } from '@/ui/server/send';
import * as words from '@/words/catalogue/dock';

/** What to do with a scanned serial that no open line of this parcel has. */
export function saySerial(serial: string, parcelId: string, { line, unit }: SerialKnown): string {
  if (line && line.parcelId !== parcelId)
    return words.belongsToLinePutWith({ serial, parcel: line.parcel, lineNo: line.lineNo });
  if (unit)
    return words.alreadyTaggedFrom({ serial, tag: unit.tag, parcel: unit.parcel, stage: stageNames[unit.stage] });
  return words.notOnOpenLinePut({ serial });
}

const nothing: SerialKnown = { here: null, line: null, unit: null };

/** Asks the server, in this parcel first; while it is away the serial counts as known nowhere. */
export async function lookUpSerial(serial: string, parcelId: string): Promise<SerialKnown> {
  const outcome = await send<SerialKnown>('GET', `/api/serials/${encodeURIComponent(serial)}?parcel=${parcelId}`);
  return outcome.ok ? outcome.value : nothing;
}
