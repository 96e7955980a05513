import { accept, refuse, type Outcome } from '@/core/shared/outcome';

/** A place at which people sign in. */
export interface WorkBench {
  readonly id: string;
  readonly name: string;
  /** What was signed in at keeps the bench's name; one that is out of use is offered no more. */
  readonly isInUse: boolean;
}

/** The id of a new bench, from its name: "Bench 3" is `bench-3`. At most 20 characters, and not one that is there. */
export function benchId(name: string, benches: readonly WorkBench[]): string {
  const plain =
    name
      .normalize('NFKD')
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'bench';
  for (let count = 1; ; count += 1) {
    const ending = count === 1 ? '' : `-${count}`;
    const id = `${plain.slice(0, 20 - ending.length)}${ending}`;
    if (!benches.some((bench) => bench.id === id)) return id;
  }
}

/** Whether a bench may be so. @refuses 'name-taken', 'last-bench' when none would be left in use */
export function judgeBench(benches: readonly WorkBench[], bench: WorkBench): Outcome<WorkBench> {
  const name = bench.name.trim().replace(/\s+/g, ' ');
  const others = benches.filter(({ id }) => id !== bench.id);
  if (others.some((other) => other.name.toLowerCase() === name.toLowerCase())) return refuse('name-taken', { name });
  if (!bench.isInUse && !others.some(({ isInUse }) => isInUse)) return refuse('last-bench', { name });
  return accept({ ...bench, name });
}
