'use client';
import { Box, chakra } from '@chakra-ui/react';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { Model } from '@/core/procedure/model';
import type { Operation } from '@/core/procedure/operations';
import { KeyCap } from '@/ui/base/KeyCap';
import { ScrollBox } from '@/ui/base/ScrollBox';
import { useKey } from '@/ui/keys/KeysProvider';
import { useChosen } from '@/ui/keys/useChosen';
import { layoutOf, nodeSize, type GraphEdge, type GraphLayout } from './graphLayout';
import { OperationFacts } from './OperationFacts';
import * as words from '@/words/catalogue/models';

const Node = chakra('rect', {
  base: { fill: 'sheet', stroke: 'inkMuted', strokeWidth: '1px', cursor: 'pointer' },
  variants: {
    state: {
      plain: {},
      chosen: { fill: 'action', stroke: 'action' },
      before: { fill: 'waitingSoft', stroke: 'waiting' },
      behind: { fill: 'actionSoft', stroke: 'action' },
    },
  },
});
const Title = chakra('text', {
  base: { fill: 'ink', fontSize: '13px', textAnchor: 'middle', dominantBaseline: 'central', pointerEvents: 'none' },
  variants: { isChosen: { yes: { fill: 'onAction', fontWeight: '700' }, no: {} } },
});
const Edge = chakra('path', {
  base: { fill: 'none', strokeWidth: '1.4px', stroke: 'inkMuted' },
  variants: {
    reason: { physical: {}, protective: { strokeDasharray: '6 4' }, house: { strokeDasharray: '1.5 4' } },
    state: { plain: {}, near: { stroke: 'ink', strokeWidth: '2.2px' }, faint: { opacity: 0.6 } },
    isAlternative: { yes: { stroke: 'twine' }, no: {} },
  },
});

/** The procedure as a graph: what must come first, above; the chosen step with all it needs and all that waits for it. */
export function GraphTab({ model }: { readonly model: Model }) {
  const [layout, setLayout] = useState<GraphLayout | null>(null);
  useEffect(() => {
    let isGone = false;
    void layoutOf(model).then((made) => {
      if (!isGone) setLayout(made);
    });
    return () => {
      isGone = true;
    };
  }, [model]);
  const { chosen, choose } = useChosen(model.operations.map(({ id }) => id));
  const operation = model.operations.find(({ id }) => id === chosen) as Operation;
  const near = useMemo(() => neighbourhood(model, chosen ?? ''), [model, chosen]);
  const [isWhole, setWhole] = useState(false);
  useKey('z', words.readableSize({ isWhole: isWhole ? 'yes' : 'no' }), () => setWhole((whole) => !whole));
  const place = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const node = layout?.nodes.find(({ id }) => id === chosen);
    if (node && place.current) {
      place.current.scrollTo({
        left: node.x - place.current.clientWidth / 2,
        top: node.y - place.current.clientHeight / 2,
      });
    }
  }, [layout, chosen]);
  return (
    <Box
      display="grid"
      gridTemplateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) 300px' }}
      borderTopWidth="1px"
      borderColor="rule"
    >
      <Box
        ref={place}
        overflow="auto"
        maxH="calc(100vh - 226px)"
        minH="320px"
        tabIndex={0}
        role="group"
        aria-label={words.procedureGraph()}
      >
        {layout === null ? (
          <Box p="28px" color="inkMuted">
            {words.layingOutSteps({ operations: model.operations.length })}
          </Box>
        ) : (
          <chakra.svg
            viewBox={`0 0 ${layout.width} ${layout.height}`}
            width={isWhole ? '100%' : layout.width}
            height={isWhole ? 'calc(100vh - 240px)' : layout.height}
            mx="auto"
            display="block"
            role="img"
            aria-label={words.stepsAndWhatEachComes({ operations: model.operations.length })}
          >
            {layout.edges.map((edge) => (
              <Edge
                key={`${edge.from}>${edge.to}`}
                d={pathOf(edge)}
                reason={edge.reason as 'physical'}
                isAlternative={edge.isAlternative ? 'yes' : 'no'}
                state={edge.from === chosen || edge.to === chosen ? 'near' : 'faint'}
              />
            ))}
            {layout.nodes.map(({ id, x, y }) => (
              <g key={id} onClick={() => choose(id)}>
                <Node
                  state={
                    id === chosen ? 'chosen' : near.before.has(id) ? 'before' : near.behind.has(id) ? 'behind' : 'plain'
                  }
                  x={x - nodeSize.width / 2}
                  y={y - nodeSize.height / 2}
                  width={nodeSize.width}
                  height={nodeSize.height}
                  rx={3}
                />
                <NodeTitle title={titleOf(model, id)} x={x} y={y} isChosen={id === chosen} />
              </g>
            ))}
          </chakra.svg>
        )}
      </Box>
      <ScrollBox
        label={words.thisStep()}
        p="14px 18px"
        bg="sheet"
        borderStartWidth="1px"
        borderColor="rule"
        maxH="calc(100vh - 226px)"
      >
        <OperationFacts model={model} operation={operation} />
      </ScrollBox>
      <Box
        gridColumn="1 / -1"
        px="22px"
        py="8px"
        textStyle="note"
        color="inkMuted"
        borderTopWidth="1px"
        borderColor="rule"
      >
        <KeyCap name="z" /> {words.readableSizeLinePhysicalDashes({ isWhole: isWhole ? 'yes' : 'no' })}
      </Box>
    </Box>
  );
}

const titleOf = (model: Model, id: string): string =>
  model.operations.find((operation) => operation.id === id)?.title ?? id;

/** A title on one line, or on two when it is long. */
function NodeTitle({
  title,
  x,
  y,
  isChosen,
}: {
  readonly title: string;
  readonly x: number;
  readonly y: number;
  readonly isChosen: boolean;
}) {
  const lines = twoLines(title);
  return lines.map((line, at) => (
    <Title key={at} x={x} y={y + (at - (lines.length - 1) / 2) * 15} isChosen={isChosen ? 'yes' : 'no'}>
      {line}
    </Title>
  ));
}

const mostLetters = 23;

function twoLines(title: string): readonly string[] {
  if (title.length <= mostLetters) return [title];
  const cut = title.lastIndexOf(' ', mostLetters);
  const rest = title.slice(cut + 1);
  return [title.slice(0, cut), rest.length > mostLetters ? `${rest.slice(0, mostLetters - 1)}…` : rest];
}

function pathOf({ points }: GraphEdge): string {
  const [first, ...rest] = points;
  if (!first) return '';
  const middle = rest.slice(0, -1).map((point, at) => {
    const next = rest[at + 1] ?? point;
    return `Q${point.x} ${point.y} ${(point.x + next.x) / 2} ${(point.y + next.y) / 2}`;
  });
  const last = rest.at(-1) ?? first;
  return `M${first.x} ${first.y} ${middle.join(' ')} L${last.x} ${last.y}`;
}

/** Everything an operation needs, and everything that waits for it, over any number of arcs. */
function neighbourhood(
  model: Model,
  id: string,
): { readonly before: ReadonlySet<string>; readonly behind: ReadonlySet<string> } {
  const spread = (next: (from: string) => readonly string[]) => {
    const seen = new Set<string>();
    const queue = [...next(id)];
    for (let at = queue.pop(); at !== undefined; at = queue.pop()) {
      if (seen.has(at)) continue;
      seen.add(at);
      queue.push(...next(at));
    }
    return seen;
  };
  return {
    before: spread(
      (from) => model.operations.find((operation) => operation.id === from)?.after.flatMap(({ any }) => any) ?? [],
    ),
    behind: spread((from) =>
      model.operations
        .filter(({ after }) => after.some(({ any }) => any.includes(from)))
        .map((operation) => operation.id),
    ),
  };
}
