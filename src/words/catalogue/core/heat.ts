// Made from words/en/core/heat.json by `npm run words`. Change it there.
import { l } from '@/words/runtime';
import { sayer } from '@/words/sayer';

export const leftEdge = () => l`left edge`;
export const rightEdge = () => l`right edge`;
export const upperEdge = () => l`upper edge`;
export const lowerEdge = () => l`lower edge`;

export const all: Readonly<Record<string, (d: never) => string>> = { leftEdge, rightEdge, upperEdge, lowerEdge };

/** What the core found out, as a sentence. */
export const say = sayer<'heat'>({
  heat: all,
});
