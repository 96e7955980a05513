import type { Supply } from '@/core/supplies/supplies';
import { message } from '@/core/shared/message';
import * as words from '@/words/catalogue/supplies';
import { say } from '@/words/catalogue/core/sheet';
import { number } from '@/words/format';

/** What a supply is called. */
export function supplyName(supply: Supply): string {
  if (supply.kind === 'consumable') return typeof supply.name === 'string' ? supply.name : say(supply.name);
  const { drive, diameterMm, lengthMm } = supply;
  const size = (mm: number | null) => (mm === null ? '?' : number(mm));
  return words.screw({ drive, diameter: size(diameterMm), length: size(lengthMm) });
}

/** The same by its key, as the record of the shop has it. */
export function supplyInWords(key: string): string {
  const screw = /^screw (\S+) (\S+)x(\S+)$/.exec(key);
  if (screw) return words.screw({ drive: screw[1] ?? '', diameter: screw[2] ?? '', length: screw[3] ?? '' });
  const name = key.replace(/^consumable /, '');
  if (!name.startsWith('=')) return name;
  return say(message(name.slice(1) as 'sheet.liquidGlue'));
}
