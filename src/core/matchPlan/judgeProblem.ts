import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import type { MatchProblem } from './problem';

/** What a schema cannot say of a problem: names that stand twice, and wishes for what is not there. */
export function judgeProblem(problem: MatchProblem): Outcome<MatchProblem> {
  const { units, lots, offers, orders, resources } = problem;
  const tags = units.flatMap((group) => group.tags);
  const twice = [
    ['units', units.map(({ id }) => id)],
    ['tags', tags],
    ['lots', lots.map(({ id }) => id)],
    ['offers', offers.map(({ id }) => id)],
    ['orders', orders.map(({ id }) => id)],
    ['resources', resources.map(({ id }) => id)],
    ...units.flatMap((group) => [
      [`units.${group.id}.builds`, group.builds.map(({ id }) => id)] as const,
      [`units.${group.id}.levels`, group.levels.map(({ id }) => id)] as const,
    ]),
  ] as const;
  for (const [place, ids] of twice) {
    const again = ids.find((id, at) => ids.indexOf(id) !== at);
    if (again !== undefined) return refuse('match-invalid', { place, fault: again });
  }
  const known = new Set(tags);
  const { keeps = { fates: [], parts: [] } } = problem;
  const named = [
    ['wishes', [...problem.wishes, ...problem.slotWishes].map(({ tag }) => tag)],
    ['lots', lots.flatMap((lot) => lot.for ?? [])],
    ['keeps', [...keeps.fates, ...keeps.parts].map(({ tag }) => tag)],
    ['keeps', keeps.parts.map(({ from }) => from)],
  ] as const;
  for (const [place, some] of named) {
    const stranger = some.find((tag) => !known.has(tag));
    if (stranger !== undefined) return refuse('match-invalid', { place, fault: stranger });
  }
  return accept(problem);
}
