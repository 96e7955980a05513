import type { Model } from '@/core/procedure/model';

/** What this browser keeps of a draft until the server has it: written at every change, gone once it is saved. */
export interface DraftCopy {
  readonly document: Model;
  /** The server's version that it was written over. */
  readonly version: number;
}

const keyOf = (id: string): string => `plucky-draft-${id}`;

export function keepCopy(id: string, copy: DraftCopy): void {
  try {
    localStorage.setItem(keyOf(id), JSON.stringify(copy));
  } catch {
    // A full or forbidden storage: the save to the server, a moment later, is then the only copy.
  }
}

export function dropCopy(id: string): void {
  localStorage.removeItem(keyOf(id));
}

export function readCopy(id: string): DraftCopy | null {
  const text = localStorage.getItem(keyOf(id));
  return text === null ? null : (JSON.parse(text) as DraftCopy);
}
