'use client';
import type { Refusal } from '@/core/shared/outcome';
import { late, useLate } from './late';

/** The sentences of all refusals come after the screen is drawn, and are there when the server is not. */
const sentences = late(async () => (await import('@/words/say/sentences')).sayRefusal);

/** What was refused, for where an answer is waited for anyway. */
export async function sayLater(refusal: Refusal): Promise<string> {
  await sentences.load();
  return sentences.now()?.(refusal) ?? '…';
}

/** Says what was refused, where a sentence goes into another one. */
export function useSayRefusal(): (refusal: Refusal) => string {
  const say = useLate(sentences);
  return (refusal) => say?.(refusal) ?? '…';
}

/** What was refused, why, and what to do. */
export function Refused({ refusal }: { readonly refusal: Refusal }) {
  return <>{useSayRefusal()(refusal)}</>;
}
