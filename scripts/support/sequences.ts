import { Chance } from '@/core/shared/chance';
import type { SequenceOperation, SequenceProblem } from '@/core/teardown/order/sequenceProblem';

export const structures = ['layered', 'chains', 'dense', 'wide'] as const;
export type Structure = (typeof structures)[number];

export const costKinds = ['constant', 'put down and pick up', 'any matrix'] as const;
export type CostKind = (typeof costKinds)[number];

/**
 * A made-up teardown to measure the ordering with, the same for the same seed.
 *
 * Layered: a few openings in a row, each with parts beside each other behind it. Chains: long rows of steps that cross only
 * now and then. Dense: each behind several of those shortly before it. Wide: nearly everything lies open behind a cover. Any
 * matrix: changes as nobody has them, neither the same both ways nor never quicker over a third.
 */
export function makeSequence(count: number, structure: Structure, cost: CostKind, seed: number): SequenceProblem {
  const chance = new Chance(seed);
  const tools = Math.min(8, 4 + Math.floor(count / 40));
  const faces = 3;
  const usual = Array.from({ length: 12 }, () => Math.floor(chance.next() * tools));
  const operations: SequenceOperation[] = [];
  let gate = -1;
  for (let at = 0; at < count; at += 1) {
    const after = arcsOf[structure](at, gate, chance);
    if (structure === 'layered' && at % 9 === 0) gate = at;
    operations.push({
      minutes: Math.round(chance.between(0.2, 2.2) * 10) / 10,
      tools: [
        { tool: chance.happens(0.7) ? (usual[at % 12] as number) : Math.floor(chance.next() * tools), factor: 1 },
      ],
      face: Math.min(
        faces - 1,
        Math.floor(((at + chance.between(-4, 4)) / count) * faces) < 0 ? 0 : Math.floor((at / count) * faces),
      ),
      posture: 0,
      after,
    });
  }
  const down = Array.from({ length: tools }, () => (1 + Math.floor(chance.next() * 3)) / 20);
  const up = Array.from({ length: tools }, () => (1 + Math.floor(chance.next() * 4)) / 20);
  const matrix = Array.from({ length: tools ** 2 }, () => Math.round(chance.between(1, 10)) / 20);
  const change = (from: number, to: number): number => {
    if (cost === 'constant') return 0.2;
    if (cost === 'any matrix') return matrix[from * tools + to] as number;
    return (down[from] as number) + (up[to] as number);
  };
  const square = (size: number, minutes: (from: number, to: number) => number) =>
    Array.from({ length: size }, (_, from) =>
      Array.from({ length: size }, (_unused, to) => (from === to ? 0 : minutes(from, to))),
    );
  return {
    operations,
    toolMinutes: square(tools, change),
    faceMinutes: square(faces, () => 0.3),
    postureMinutes: [[0]],
  };
}

/** Behind the last opening, and now and then behind a neighbour. */
function layeredArcs(at: number, gate: number, chance: Chance): number[][] {
  if (at === 0) return [];
  const arcs = [[gate]];
  if (at - gate > 1 && chance.happens(0.35)) arcs.push([gate + 1 + Math.floor(chance.next() * (at - gate - 1))]);
  if (at % 9 === 0) for (let back = 1; back <= 3; back += 1) arcs.push([at - 1 - Math.floor(chance.next() * 8)]);
  return arcs;
}

/** Behind the one before in its own row, and now and then behind one of another row. */
function chainArcs(at: number, rows: number, chance: Chance): number[][] {
  const arcs = at >= rows ? [[at - rows]] : [];
  if (at > rows && chance.happens(0.12)) arcs.push([Math.floor(chance.between(Math.max(0, at - 3 * rows), at))]);
  return arcs;
}

/** Behind one to four of the ten before it. */
function denseArcs(at: number, chance: Chance): number[][] {
  const count = Math.min(at, 1 + Math.floor(chance.next() * 4));
  return Array.from({ length: count }, () => [Math.max(0, at - 1 - Math.floor(chance.next() * 10))]);
}

/** Behind the cover, and one in four behind another. */
function wideArcs(at: number, chance: Chance): number[][] {
  if (at === 0) return [];
  return chance.happens(0.25) ? [[0], [Math.floor(chance.next() * at)]] : [[0]];
}

const arcsOf: Readonly<Record<Structure, (at: number, gate: number, chance: Chance) => number[][]>> = {
  layered: layeredArcs,
  chains: (at, _, chance) => chainArcs(at, 4, chance),
  dense: (at, _, chance) => denseArcs(at, chance),
  wide: (at, _, chance) => wideArcs(at, chance),
};
