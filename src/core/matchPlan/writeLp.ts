import type { LinearModel } from './linearModel';

/** So many letters stand in a line at most: older readers stop there. */
const lineLetters = 200;

/**
 * A model in the LP format that solvers share: columns are x1, x2 … and rows r1, r2 …, with what each stands for as a comment
 * before it, so that any solver reads it and anybody can follow it.
 *
 * Source: the CPLEX LP format as solvers document it; a comment begins with a backslash
 */
export function writeLp({ columns, rows }: LinearModel): string {
  const x = (column: number) => `x${column + 1}`;
  const plain = (value: number) => (Number.isInteger(value) ? `${value}` : value.toPrecision(15).replace(/\.?0+$/, ''));
  const term = (factor: number, column: number) => `${factor < 0 ? '-' : '+'} ${plain(Math.abs(factor))} ${x(column)}`;
  const sum = (terms: readonly string[]) => wrapped(terms.length > 0 ? terms : [`+ 0 ${x(0)}`]);
  const lines = [
    ...columns.map(({ name }, column) => `\\ ${x(column)} = ${name.replaceAll(/\s+/g, ' ')}`),
    'Maximize',
    ` money: ${sum(columns.flatMap(({ gain }, column) => (gain === 0 ? [] : [term(gain, column)])))}`,
    // The format's own word for what is kept.
    'st',
    ...rows.flatMap(({ name, low, high, terms }, row) => {
      const left = sum(terms.map(([column, factor]) => term(factor, column)));
      const about = `\\ r${row + 1} = ${name.replaceAll(/\s+/g, ' ')}`;
      if (low === high) return [about, ` r${row + 1}: ${left} = ${plain(low)}`];
      return [
        about,
        ...(low > -Infinity ? [` r${row + 1}l: ${left} >= ${plain(low)}`] : []),
        ...(high < Infinity ? [` r${row + 1}h: ${left} <= ${plain(high)}`] : []),
      ];
    }),
    'Bounds',
    ...columns.map(
      ({ low, high }, column) => ` ${plain(low)} <= ${x(column)}${high < Infinity ? ` <= ${plain(high)}` : ''}`,
    ),
    'General',
    ` ${wrapped(columns.flatMap(({ isWhole }, column) => (isWhole ? [x(column)] : [])))}`,
    'End',
  ];
  return `${lines.join('\n')}\n`;
}

function wrapped(words: readonly string[]): string {
  const lines = [''];
  for (const word of words) {
    if ((lines.at(-1) as string).length + word.length > lineLetters) lines.push('');
    lines[lines.length - 1] += `${(lines.at(-1) as string) === '' ? '' : ' '}${word}`;
  }
  return lines.join('\n  ');
}
