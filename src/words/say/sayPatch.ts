import type { Message } from '@/core/shared/message';
import type { Patch } from '@/core/procedure/patch';
import { say } from '@/words/catalogue/core/checks';

/** A mend as it goes into the document: reasons of ours become text, as if the author had written them. */
export const sayPatch = (patch: Patch): Patch => patch.map((change) => ({ ...change, value: inWords(change.value) }));

function inWords(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(inWords);
  if (typeof value !== 'object' || value === null) return value;
  if ('code' in value && 'values' in value) return say(value as Message<'checks'>);
  return Object.fromEntries(Object.entries(value).map(([name, entry]) => [name, inWords(entry)]));
}
