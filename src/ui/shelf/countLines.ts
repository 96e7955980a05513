import { readBinCode } from '@/core/shelf/binCode';
import type { Seen } from '@/core/shelf/countBin';
import { parseTag } from '@/core/shared/tags';

/** What a count says so far. */
export interface CountSoFar {
  /** In the order in which they were gone through; the last is the one that is open. */
  readonly bins: readonly string[];
  readonly seen: readonly Seen[];
}

export const emptyCount: CountSoFar = { bins: [], seen: [] };

/** A bin is opened, or a part was seen in the open one. Nothing changes where a code is neither, or no bin is open yet. */
export function withCode(count: CountSoFar, code: string): CountSoFar | null {
  const bin = readBinCode(code) ?? (/^[A-Z]{1,2}\d{2}$/i.test(code.trim()) ? code.trim().toUpperCase() : null);
  if (bin !== null && /\d/.test(bin)) return { ...count, bins: [...count.bins.filter((own) => own !== bin), bin] };
  const tag = parseTag(code);
  const open = count.bins.at(-1);
  if (tag?.letter !== 'P' || open === undefined) return null;
  const isThere = count.seen.some((own) => own.tag === tag.tag && own.bin === open);
  return isThere ? count : { ...count, seen: [...count.seen, { tag: tag.tag, bin: open }] };
}

/** What of a list could be read, and the lines that could not, from 1. */
export interface ReadCount {
  readonly count: CountSoFar;
  readonly unread: readonly number[];
}

/**
 * A count as a list, as a scanner with a memory gives it: a bin and then what lies in it, a code a line; or a tag and its bin in
 * one line with a comma, a semicolon or a tab between them. A line of names is passed over.
 */
export function readCountList(text: string): ReadCount {
  let count = emptyCount;
  const unread: number[] = [];
  for (const [at, line] of text.split(/\r\n|\r|\n/).entries()) {
    const cells = line.split(/[,;\t]/).map((cell) => cell.trim().replace(/^"|"$/g, ''));
    const codes = cells.filter((cell) => cell !== '');
    if (codes.length === 0) continue;
    // The bin of a line comes first, wherever it stands.
    const inOrder =
      codes.length > 1
        ? codes.toSorted((a, b) => Number(parseTag(a) !== undefined) - Number(parseTag(b) !== undefined))
        : codes;
    let next: CountSoFar | null = count;
    for (const code of inOrder.slice(0, 2)) next = next && withCode(next, code);
    if (next) count = next;
    else if (at > 0 || !/bin|tag/i.test(line)) unread.push(at + 1);
  }
  return { count, unread };
}
