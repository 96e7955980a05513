import type { LookName } from '@/core/procedure/looks';
import * as words from '@/words/catalogue/triage';
import type { DeviceKind } from '@/core/procedure/vocabulary';
import { kindNames } from './names';

/** A range as it is coded: its ends, and whether it is open above. */
function rangeOf(code: string) {
  const [low, high] = code.split('-');
  return { low: Number(low), high: Number(high), isOpen: high === '' ? 'yes' : 'no' } as const;
}

const yes = (code: string) => ({ isSo: code === 'yes' ? 'yes' : 'no' }) as const;

const said: Readonly<Record<LookName, (code: string) => string>> = {
  kind: (code) => kindNames[code as DeviceKind],
  size: (code) => words.sizeBetween(rangeOf(code)),
  heads: (code) => (code === '' ? words.noHeads() : code),
  screws: (code) => {
    const range = rangeOf(code);
    return words.screwsBetween({ ...range, high: range.isOpen === 'yes' ? range.low : range.high });
  },
  keys: (code) => words.hasKeys(yes(code)),
  camera: (code) => words.hasCamera(yes(code)),
  tray: (code) => words.hasTray(yes(code)),
  door: (code) => words.hasDoor(yes(code)),
};

/** What is seen of a device, from its code: "70 to 110 mm". */
export const sayLook = (look: LookName, code: string): string => said[look](code);
