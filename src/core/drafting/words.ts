import type { PartCategory, SlotKind, ToolKind } from '@/core/procedure/vocabulary';

/** Words by which a part's category is guessed from what it is called; the first that fits. */
const categoryWords: readonly (readonly [PartCategory, RegExp])[] = [
  ['battery', /\b(battery|cell|pack)\b/],
  ['tray', /\b(tray|stylus|pen|card)\b/],
  ['display', /\b(display|screen|panel|glass|page)\b/],
  ['camera', /\b(camera|eye|lens)\b/],
  ['speaker', /\b(speaker|speakers|loudspeaker|receiver)\b/],
  ['port', /\b(port|socket|jack|sockets)\b/],
  ['keys', /\b(keys?|keypad|keyboard|button|wheel|stick|trigger|crown|slider)\b/],
  ['sensor', /\b(sensor|reader|scanner|microphone|mic)\b/],
  ['motor', /\b(motor|buzzer|vibrator|fan)\b/],
  ['drive', /\b(drive|disk|storage)\b/],
  ['memory', /\b(memory|module)\b/],
  ['hinge', /\b(hinge|hinges)\b/],
  ['cable', /\b(cable|aerial|wire|flex)\b/],
  ['cover', /\b(plate|shield|seal|tape|glue|foam|gasket|sheet|bead|paste|sticker|spring|feet|screws?)\b/],
  ['board', /\b(board)\b/],
  ['housing', /\b(back|shell|frame|door|deck|base|lid|cover|case|housing|strap)\b/],
];

/** What covers something is called by what it covers: “battery door”, “camera plate”. Its last word says what it is. */
const coverings: readonly (readonly [PartCategory, RegExp])[] = [
  ['housing', /\b(door|cover|lid|shell|frame|case)$/],
  ['cover', /\b(plate|shield|tape|strip|gasket|foam|seal|spring|bracket)$/],
];

export function guessCategory(name: string): PartCategory {
  const words = name.trim().toLowerCase();
  if (/\bport board\b/.test(words)) return 'port';
  const covering = coverings.find(([, pattern]) => pattern.test(words));
  if (covering) return covering[0];
  return categoryWords.find(([, pattern]) => pattern.test(words))?.[0] ?? 'cover';
}

/** What a rebuilt unit needs: the look of housing and display, the working of the rest; trims and trays are neither. */
export function guessSlot(category: PartCategory): SlotKind | undefined {
  if (category === 'housing' || category === 'display') return 'cosmetic';
  return category === 'cover' || category === 'tray' || category === 'cable' ? undefined : 'functional';
}

const toolWords: readonly (readonly [ToolKind, RegExp])[] = [
  ['hand', /\bhands?\b/i],
  ['driver', /driver|\bPH0|\bT\d|\bbit\b/i],
  ['heat', /plate|air|dryer|iron/i],
  ['solvent', /dropper|pipette|solvent/i],
  ['blade', /blade|scalpel|knife|cutter/i],
  ['metal', /steel|metal|fork/i],
  ['plastic', /plastic|pick|card|spudger/i],
];

export const guessToolKind = (name: string): ToolKind =>
  toolWords.find(([, pattern]) => pattern.test(name))?.[0] ?? 'other';

/** An id made of a name: lower case, dashes, and a number behind it when it is taken. */
export function idFrom(name: string, taken: ReadonlySet<string>): string {
  const plain = name
    .toLowerCase()
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 40);
  const id = plain === '' ? 'x' : plain;
  if (!taken.has(id)) return id;
  for (let number = 2; ; number += 1) if (!taken.has(`${id}-${number}`)) return `${id}-${number}`;
}
