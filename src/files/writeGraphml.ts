import { say as saySheet } from '@/words/catalogue/core/sheet';
import { XMLBuilder } from 'fast-xml-parser';
import type { Model } from '@/core/procedure/model';

const keys = [
  { id: 'title', for: 'node', type: 'string' },
  { id: 'face', for: 'node', type: 'string' },
  { id: 'tool', for: 'node', type: 'string' },
  { id: 'minutes', for: 'node', type: 'double' },
  { id: 'opens', for: 'node', type: 'string' },
  { id: 'frees', for: 'node', type: 'string' },
  { id: 'reason', for: 'edge', type: 'string' },
  { id: 'because', for: 'edge', type: 'string' },
  { id: 'clause', for: 'edge', type: 'string' },
] as const;

type Key = (typeof keys)[number]['id'];
const data = (values: Partial<Record<Key, string | number>>) =>
  Object.entries(values).map(([key, value]) => ({ '@_key': key, '#text': String(value) }));

/**
 * The procedure as a graph in GraphML (graphml.graphdrawing.org): a node for every operation, an edge from what must be
 * done before. Alternatives of one arc carry the same `clause`, since GraphML knows no “or”.
 */
export function writeGraphml(model: Model): string {
  const edges = model.operations.flatMap(({ id, after }) =>
    after.flatMap(({ any, reason, because }, at) =>
      any.map((before) => ({
        '@_source': before,
        '@_target': id,
        data: data({ reason, because: saySheet(because), clause: `${id}/${at}` }),
      })),
    ),
  );
  const builder = new XMLBuilder({ ignoreAttributes: false, format: true, suppressEmptyNode: true });
  return builder.build({
    '?xml': { '@_version': '1.0', '@_encoding': 'UTF-8' },
    graphml: {
      '@_xmlns': 'http://graphml.graphdrawing.org/xmlns',
      key: keys.map((key) => ({
        '@_id': key.id,
        '@_for': key.for,
        '@_attr.name': key.id,
        '@_attr.type': key.type,
      })),
      graph: {
        '@_id': model.id,
        '@_edgedefault': 'directed',
        node: model.operations.map(({ id, title, face, tool, minutes, opens, frees }) => ({
          '@_id': id,
          data: data({ title, face, tool, minutes: minutes.likely, opens: opens.join(' '), frees: frees.join(' ') }),
        })),
        edge: edges.map((edge, at) => ({ '@_id': `e${at}`, ...edge })),
      },
    },
  }) as string;
}
