import type { Model } from '@/core/procedure/model';

interface Place {
  readonly x: number;
  readonly y: number;
}

export interface GraphNode extends Place {
  readonly id: string;
}

export interface GraphEdge {
  readonly from: string;
  readonly to: string;
  readonly reason: string;
  readonly isAlternative: boolean;
  readonly points: readonly Place[];
}

export interface GraphLayout {
  readonly nodes: readonly GraphNode[];
  readonly edges: readonly GraphEdge[];
  readonly width: number;
  readonly height: number;
}

export const nodeSize = { width: 168, height: 40 };

/** Lays the procedure out in layers, from what can be first to what comes last. The library comes when it is needed. */
export async function layoutOf(model: Model): Promise<GraphLayout> {
  const { Graph, layout } = await import('@dagrejs/dagre').then((module) => ({
    Graph: module.graphlib.Graph,
    layout: module.layout,
  }));
  const graph = new Graph({ multigraph: true });
  graph.setGraph({ rankdir: 'TB', nodesep: 14, ranksep: 34 });
  graph.setDefaultEdgeLabel(() => ({}));
  for (const { id } of model.operations) graph.setNode(id, { ...nodeSize });
  const arcs = model.operations.flatMap(({ id, after }) =>
    after.flatMap(({ any, reason }) => any.map((from) => ({ from, to: id, reason, isAlternative: any.length > 1 }))),
  );
  for (const { from, to } of arcs) graph.setEdge(from, to, {}, `${from}>${to}`);
  layout(graph);
  const nodes = model.operations.map(({ id }) => ({ id, ...placeOf(graph.node(id)) }));
  const edges = arcs.map((arc) => ({
    ...arc,
    points: (
      graph.edge({ v: arc.from, w: arc.to, name: `${arc.from}>${arc.to}` }) as unknown as { points: Place[] }
    ).points.map(placeOf),
  }));
  return framed(nodes, edges);
}

const placeOf = ({ x, y }: Place): Place => ({ x, y });

/** Moved so that all of it is inside. The library's own frame holds the nodes, but not the edges that go around them. */
function framed(nodes: readonly GraphNode[], edges: readonly GraphEdge[]): GraphLayout {
  const margin = 8;
  const points = edges.flatMap(({ points: bends }) => bends);
  const xs = [
    ...nodes.flatMap(({ x }) => [x - nodeSize.width / 2, x + nodeSize.width / 2]),
    ...points.map(({ x }) => x),
  ];
  const ys = [
    ...nodes.flatMap(({ y }) => [y - nodeSize.height / 2, y + nodeSize.height / 2]),
    ...points.map(({ y }) => y),
  ];
  const left = Math.min(...xs) - margin;
  const top = Math.min(...ys) - margin;
  const moved = ({ x, y }: Place): Place => ({ x: x - left, y: y - top });
  return {
    width: Math.max(...xs) + margin - left,
    height: Math.max(...ys) + margin - top,
    nodes: nodes.map((node) => ({ ...node, ...moved(node) })),
    edges: edges.map((edge) => ({ ...edge, points: edge.points.map(moved) })),
  };
}
