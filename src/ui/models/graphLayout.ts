import type { Model } from '@/core/procedure/model';

export interface GraphNode {
  readonly id: string;
  readonly x: number;
  readonly y: number;
}

export interface GraphEdge {
  readonly from: string;
  readonly to: string;
  readonly reason: string;
  readonly isAlternative: boolean;
  readonly points: readonly { readonly x: number; readonly y: number }[];
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
  graph.setGraph({ rankdir: 'TB', nodesep: 14, ranksep: 34, marginx: 8, marginy: 8 });
  graph.setDefaultEdgeLabel(() => ({}));
  for (const { id } of model.operations) graph.setNode(id, { ...nodeSize });
  const arcs = model.operations.flatMap(({ id, after }) =>
    after.flatMap(({ any, reason }) => any.map((from) => ({ from, to: id, reason, isAlternative: any.length > 1 }))),
  );
  for (const { from, to } of arcs) graph.setEdge(from, to, {}, `${from}>${to}`);
  layout(graph);
  const { width = 0, height = 0 } = graph.graph() as { width?: number; height?: number };
  return {
    width,
    height,
    nodes: model.operations.map(({ id }) => {
      const { x, y } = graph.node(id) as { x: number; y: number };
      return { id, x, y };
    }),
    edges: arcs.map((arc) => ({
      ...arc,
      points: (
        graph.edge({ v: arc.from, w: arc.to, name: `${arc.from}>${arc.to}` }) as unknown as {
          points: { x: number; y: number }[];
        }
      ).points,
    })),
  };
}
