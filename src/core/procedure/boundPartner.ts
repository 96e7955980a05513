import type { Model } from './model';

/** The part that a part works only together with, whichever of the two names the other; null for one that works alone. */
export const boundPartner = ({ parts }: Model, part: string): string | null =>
  parts.find(({ id }) => id === part)?.boundTo ?? parts.find(({ boundTo }) => boundTo === part)?.id ?? null;
