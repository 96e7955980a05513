/** What of a thing was other than it is: enough to make what it was of what it is. */
export interface Was {
  /** Fields as they were. */
  readonly fields: Readonly<Record<string, unknown>>;
  /** Lists to which something was added: so many entries they had. */
  readonly lengths?: Readonly<Record<string, number>>;
  /** Fields that were not there. */
  readonly added?: readonly string[];
  /** The same of fields that are things themselves, as a unit's run sheet is. */
  readonly within?: Readonly<Record<string, Was>>;
}

type Fields = Readonly<Record<string, unknown>>;

const isThing = (value: unknown): value is Fields =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const isSame = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);
const isBeginningOf = (a: readonly unknown[], b: readonly unknown[]): boolean =>
  a.length < b.length && a.every((entry, at) => isSame(entry, b[at]));

/**
 * What was other before, told by what came after. Of a step that is done on a run sheet that is a word or two, where the whole
 * unit is some thousands of letters.
 *
 * @param before, after  as JSON has them: no functions, and what is undefined is not there
 */
export function wasBefore(before: object, after: object): Was {
  const [old, now] = [before as Fields, after as Fields];
  const fields: Record<string, unknown> = {};
  const lengths: Record<string, number> = {};
  const within: Record<string, Was> = {};
  for (const [name, value] of Object.entries(old)) {
    const later = now[name];
    if (value === undefined || isSame(value, later)) continue;
    if (Array.isArray(value) && Array.isArray(later) && isBeginningOf(value, later)) lengths[name] = value.length;
    else if (isThing(value) && isThing(later)) within[name] = wasBefore(value, later);
    else fields[name] = value;
  }
  const added = Object.keys(now).filter((name) => now[name] !== undefined && old[name] === undefined);
  return {
    fields,
    ...(Object.keys(lengths).length > 0 && { lengths }),
    ...(added.length > 0 && { added }),
    ...(Object.keys(within).length > 0 && { within }),
  };
}

/**
 * A thing as it was. Where something newer stands on it, what comes out is of no use, and whoever asks refuses: a field that the
 * newer one took away is then left out.
 *
 * @param after  as it has been since
 */
export function asItWas<Thing extends object>(
  after: Thing,
  { fields, lengths = {}, added = [], within = {} }: Was,
): Thing {
  const now = after as Fields;
  const kept = Object.entries(now).filter(([name]) => !added.includes(name));
  const cut = Object.entries(lengths).flatMap(([name, length]) => {
    const list = now[name];
    return Array.isArray(list) ? [[name, list.slice(0, length)]] : [];
  });
  const inner = Object.entries(within).flatMap(([name, was]) => {
    const thing = now[name];
    return isThing(thing) ? [[name, asItWas(thing, was)]] : [];
  });
  return { ...Object.fromEntries([...kept, ...cut, ...inner]), ...fields } as Thing;
}
