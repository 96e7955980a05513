import type { Operation } from './operations';

/** Every tool that an operation names, out and back, with its other tools and those of its rungs; with `Hands`. */
export const everyTool = ({ tool, withTool, orTools = [], ladder, back }: Operation): readonly string[] =>
  [
    tool,
    withTool,
    ...orTools.map((other) => other.tool),
    ...(ladder?.rungs.map((rung) => rung.tool) ?? []),
    back?.tool,
    back?.withTool,
  ].filter((name) => name !== undefined);
