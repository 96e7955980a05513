import type { Held, Tally } from './tally';

const share = (part: number, of: number) => ((100 * part) / of).toFixed(1);
const euros = (cents: number) => (cents / 100).toFixed(2);

/** A world's tally as tables: how often what was said held, what it said on the whole, and who earned what. */
export function calibrationTables(tally: Tally): readonly string[] {
  const { shops, units, ranges, means, money } = tally;
  const counted = ([of, { inside, below, above }]: readonly [string, Held]) => {
    const all = inside + below + above;
    const error = (100 * Math.sqrt((inside / all) * (1 - inside / all))) / Math.sqrt(all);
    return `| ${of} | ${all} | ${share(inside, all)} ± ${error.toFixed(1)} | ${share(below, all)} | ${share(above, all)} |`;
  };
  const byName = <Value>(all: Readonly<Record<string, Value>>) =>
    Object.entries(all).sort(([a], [b]) => a.localeCompare(b));
  const earned = Object.entries(money).map(([by, { sum, squares, shops: of, perfect }]) => {
    const off = (sum - perfect) / of;
    return {
      by,
      of,
      mean: sum / of,
      off,
      part: sum / perfect,
      error: Math.sqrt(Math.max(0, squares / of - off ** 2) / of),
    };
  });
  return [
    `${shops} shops, ${units} units.`,
    '',
    '| what a range is of | ranges | held, % (80 said) | came out below, % | above, % |',
    '| --- | ---: | ---: | ---: | ---: |',
    ...byName(ranges).map(counted),
    '',
    '| what was expected of | said | came | came, % of said |',
    '| --- | ---: | ---: | ---: |',
    ...byName(means)
      .filter(([, { said }]) => said !== 0)
      .map(([of, { said, came }]) => `| ${of} | ${said.toFixed(0)} | ${came.toFixed(0)} | ${share(came, said)} |`),
    '',
    '| decided by | shops | € a unit | against perfect knowledge, € a unit | % of it |',
    '| --- | ---: | ---: | ---: | ---: |',
    ...earned
      .sort((a, b) => b.part - a.part)
      .map(
        ({ by, of, mean, off, part, error }) =>
          `| ${by} | ${of} | ${euros(mean)} | ${euros(off)} ± ${euros(error)} | ${(100 * part).toFixed(1)} |`,
      ),
  ];
}
