import { chakra } from '@chakra-ui/react';

// What drawings are made of: strokes keep their width whatever the scale.
export const Svg = chakra('svg', { base: { display: 'block', overflow: 'visible', maxW: '100%' } });
export const Shape = chakra('rect', {
  base: { fill: 'sheet', stroke: 'ink', vectorEffect: 'non-scaling-stroke', strokeWidth: '2.5px' },
});
export const Edge = chakra('polygon', {
  base: {
    fill: 'sheet',
    stroke: 'ink',
    vectorEffect: 'non-scaling-stroke',
    strokeWidth: '2.5px',
    strokeLinejoin: 'round',
  },
});
export const Drop = chakra('path', {
  base: { fill: 'waitingSoft', stroke: 'waiting', vectorEffect: 'non-scaling-stroke' },
});
export const Inner = chakra('rect', {
  base: { fill: 'transparent', stroke: 'inkMuted', vectorEffect: 'non-scaling-stroke', strokeWidth: '1.2px' },
  variants: {
    state: {
      here: {},
      out: { fill: 'sunk', strokeDasharray: '4 4' },
      shielded: { fill: 'soundSoft', stroke: 'sound', strokeDasharray: '2 3' },
      wanted: { stroke: 'action', strokeWidth: '2.2px', fill: 'actionSoft' },
      framed: { stroke: 'action', strokeWidth: '2px' },
    },
  },
});
export const Words = chakra('text', {
  base: { fill: 'inkMuted', fontFamily: 'body', textAnchor: 'middle', dominantBaseline: 'middle' },
  variants: {
    tone: { muted: {}, action: { fill: 'action', fontWeight: '700' }, danger: { fill: 'danger', fontWeight: '700' } },
  },
});
export const Line = chakra('path', {
  base: {
    fill: 'none',
    vectorEffect: 'non-scaling-stroke',
    strokeWidth: '4px',
    strokeLinecap: 'round',
    strokeLinejoin: 'round',
  },
  variants: {
    tone: {
      action: { stroke: 'action' },
      danger: { stroke: 'danger' },
      rule: { stroke: 'rule', strokeWidth: '1.2px', strokeDasharray: '3 5' },
    },
  },
});
export const Dot = chakra('circle', {
  base: { vectorEffect: 'non-scaling-stroke', strokeWidth: '2px' },
  variants: {
    state: {
      now: { fill: 'action', stroke: 'action' },
      staying: { fill: 'waiting', stroke: 'waiting' },
      stretch: { fill: 'sheet', stroke: 'action' },
      later: { fill: 'inkMuted', stroke: 'none' },
      open: { fill: 'sheet', stroke: 'inkMuted', strokeWidth: '1px' },
      mark: { fill: 'danger', stroke: 'sheet' },
      tie: { fill: 'none', stroke: 'danger', strokeDasharray: '3 3' },
    },
  },
});
