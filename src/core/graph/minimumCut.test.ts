import fc from 'fast-check';
import { FlowNetwork } from './minimumCut';

interface Edge {
  readonly from: number;
  readonly to: number;
  readonly capacity: number;
}

const networks = fc.integer({ min: 2, max: 8 }).chain((count) => {
  const node = fc.integer({ min: 0, max: count - 1 });
  return fc.record({
    count: fc.constant(count),
    edges: fc.array(fc.record({ from: node, to: node, capacity: fc.integer({ min: 0, max: 20 }) }), { maxLength: 24 }),
  });
});

const cutOf = (edges: readonly Edge[], isSourceSide: (node: number) => boolean): number =>
  edges.reduce((sum, { from, to, capacity }) => sum + (isSourceSide(from) && !isSourceSide(to) ? capacity : 0), 0);

describe('FlowNetwork', () => {
  test('the cut is the least of all, its value the flow, and no least cut has a larger source side', () => {
    fc.assert(
      fc.property(networks, ({ count, edges }) => {
        const network = new FlowNetwork(count);
        for (const { from, to, capacity } of edges) network.addEdge(from, to, capacity);
        const { value, isSourceSide } = network.minimumCut(0, count - 1);
        let least = Infinity;
        let largest = 0;
        for (let mask = 1; mask < 1 << (count - 1); mask += 2) {
          const cut = cutOf(edges, (node) => (mask & (1 << node)) !== 0);
          const size = [...mask.toString(2)].filter((bit) => bit === '1').length;
          if (cut < least) largest = 0;
          least = Math.min(least, cut);
          if (cut === least) largest = Math.max(largest, size);
        }
        expect(value).toBe(least);
        expect(cutOf(edges, (node) => isSourceSide[node] === true)).toBe(least);
        expect(isSourceSide.filter(Boolean)).toHaveLength(largest);
      }),
      { numRuns: 500, seed: 2026 },
    );
  });

  test('nodes outside and capacities below nothing are a caller’s mistake', () => {
    expect(() => new FlowNetwork(2).addEdge(0, 2, 1)).toThrow(RangeError);
    expect(() => new FlowNetwork(2).addEdge(0, 1, -1)).toThrow(RangeError);
    expect(() => new FlowNetwork(2).addEdge(0, 1, Number.NaN)).toThrow(RangeError);
  });
});
