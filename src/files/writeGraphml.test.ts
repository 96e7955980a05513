import { XMLParser } from 'fast-xml-parser';
import { after, operation, shippedModels, smallModel } from '../../tests/support/models';
import { writeGraphml } from './writeGraphml';

interface Element {
  readonly '@_id': string;
  readonly '@_source': string;
  readonly '@_target': string;
  readonly data: readonly { readonly '@_key': string; readonly '#text': string }[];
}
const parse = (text: string) => {
  const parser = new XMLParser({
    ignoreAttributes: false,
    isArray: (name) => ['node', 'edge', 'data', 'key'].includes(name),
  });
  return (
    parser.parse(text) as { graphml: { key: { '@_id': string }[]; graph: { node: Element[]; edge?: Element[] } } }
  ).graphml;
};

describe('writeGraphml', () => {
  test.each(shippedModels.map((model) => [model.name, model] as const))(
    '%s: every operation a node, every alternative an edge',
    (_, model) => {
      const { graph, key } = parse(writeGraphml(model));
      expect(graph.node.map((node) => node['@_id'])).toEqual(model.operations.map(({ id }) => id));
      const arcs = model.operations.flatMap(({ id, after: before }) =>
        before.flatMap(({ any }) => any.map((other) => `${other}>${id}`)),
      );
      expect(graph.edge?.map((edge) => `${edge['@_source']}>${edge['@_target']}`)).toEqual(arcs);
      const declared = key.map((entry) => entry['@_id']);
      for (const { data } of graph.node) for (const entry of data) expect(declared).toContain(entry['@_key']);
    },
  );

  test('alternatives of one arc share a clause, and letters that XML reserves come back as they were', () => {
    const model = smallModel([
      operation('a', { title: 'Cut < & "lift"' }),
      operation('b'),
      operation('c', { after: [after('a', 'b'), after('b')] }),
    ]);
    const { graph } = parse(writeGraphml(model));
    expect(graph.node[0]?.data.find((entry) => entry['@_key'] === 'title')?.['#text']).toBe('Cut < & "lift"');
    const clauses = graph.edge?.map(({ data }) => data.find((entry) => entry['@_key'] === 'clause')?.['#text']);
    expect(clauses).toEqual(['c/0', 'c/0', 'c/1']);
  });
});
