import type { Model } from './model';
import type { Transfer } from './parts';

/** What moves over when an assembly is replaced, as far as this configuration has it. */
export function transfersOf(model: Model, assembly: string, configuration: string | null): readonly Transfer[] {
  const absent = new Set(model.configurations.find(({ id }) => id === configuration)?.absentParts ?? []);
  const { transfers = [] } = model.parts.find(({ id }) => id === assembly) ?? {};
  return transfers.filter(({ part }) => !absent.has(part));
}

/** A part that comes with an assembly and need not move to it. */
export interface Brought {
  readonly assembly: string;
  readonly part: string;
}

/** Whether the assembly that goes in has this part on it already. */
export const isBrought = (brought: readonly Brought[], assembly: string, part: string): boolean =>
  brought.some((one) => one.assembly === assembly && one.part === part);
