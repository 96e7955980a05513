import type { Operation } from './operations';

/** Tools that only what is tried when a joint won’t come loose needs. */
export const rungTools = ({ ladder }: Pick<Operation, 'ladder'>): readonly string[] =>
  ladder?.rungs.flatMap(({ tool }) => tool ?? []) ?? [];

/** Every tool that an operation names, out and back, with its other tools and those of its rungs; with `Hands`. */
export const everyTool = ({ tool, withTool, orTools = [], ladder, back }: Operation): readonly string[] =>
  [tool, withTool, ...orTools.map((other) => other.tool), ...rungTools({ ladder }), back?.tool, back?.withTool].filter(
    (name) => name !== undefined,
  );
