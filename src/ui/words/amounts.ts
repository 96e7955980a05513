/** Minutes as people say them: 4 min, 1 h 05. */
export function sayMinutes(minutes: number): string {
  const whole = Math.round(minutes);
  return whole < 60 ? `${whole} min` : `${Math.floor(whole / 60)} h ${String(whole % 60).padStart(2, '0')}`;
}

/** Seconds as a clock: 0:31, 12:05. */
export function sayClock(seconds: number): string {
  const whole = Math.max(0, Math.floor(seconds));
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`;
}

export const sayCount = (count: number, one: string, many = `${one}s`): string =>
  `${count} ${count === 1 ? one : many}`;

const smallWords = [
  'No',
  'One',
  'Two',
  'Three',
  'Four',
  'Five',
  'Six',
  'Seven',
  'Eight',
  'Nine',
  'Ten',
  'Eleven',
  'Twelve',
];

/** A number at the start of a sentence. */
export const startCount = (count: number, one: string, many = `${one}s`): string =>
  `${smallWords[count] ?? String(count)} ${count === 1 ? one : many}`;

/** "a, b and c". */
export function sayList(items: readonly string[]): string {
  if (items.length <= 1) return items[0] ?? '';
  return `${items.slice(0, -1).join(', ')} and ${items.at(-1)}`;
}

/** "opens 12 mm, no more". */
export const sayLimit = ({ mm, degrees }: { readonly mm?: number; readonly degrees?: number }): string =>
  `opens ${mm === undefined ? `${degrees}°` : `${mm} mm`}, no more`;

/** Up to two steps by name, more by number. */
export const saySteps = (titles: readonly string[]): string =>
  titles.length <= 2 ? sayList(titles.map((title) => `“${title}”`)) : `${titles.length} steps`;

export const capital = (words: string): string => `${words.charAt(0).toUpperCase()}${words.slice(1)}`;
