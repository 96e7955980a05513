import type { KeepOut } from '@/core/procedure/faces';
import { plainStep, type SheetStep } from '@/core/teardown/sheet/sheetStep';
import { zonesNow } from './zonesNow';

const zone = (label: string, given: Partial<KeepOut> = {}): KeepOut => ({
  label,
  xMm: 0,
  yMm: 0,
  widthMm: 5,
  heightMm: 5,
  because: 'It breaks.',
  ...given,
});
const tools = [
  { name: 'Pick', kind: 'plastic' },
  { name: 'Spatula', kind: 'metal' },
  { name: 'Driver', kind: 'driver' },
] as const;
const face = {
  keepOut: [
    zone('aerials'),
    zone('cell', { forbids: 'metal' }),
    zone('foil', { forbids: 'heat' }),
    zone('cable', { until: 'plug' }),
  ],
  protectedZones: [{ ...zone('plate') }],
};
const step = (tool: string, hands: SheetStep['hands'] = null) => ({ ...plainStep, leg: 'out' as const, tool, hands });
const labels = (tool: string, hands?: SheetStep['hands'], out: string[] = []) => {
  const { keepOut, protectedZones } = zonesNow({ tools }, face, step(tool, hands), new Set(out));
  return [...keepOut, ...protectedZones].map(({ label }) => label);
};

test('a zone shows for the tool that it forbids, and metal is told where it may go', () => {
  expect(labels('Hands')).toEqual([]);
  expect(labels('Pick')).toEqual(['aerials', 'cable']);
  expect(labels('Spatula')).toEqual(['aerials', 'cell', 'cable', 'plate']);
  // A driver is metal where it slips.
  expect(labels('Driver')).toContain('cell');
  expect(labels('Hands', { tool: 'Hands', withTool: 'Spatula' })).toContain('cell');
  expect(labels('Hands', { tool: 'Hands', heat: { source: 'dryer', celsius: 60 } })).toEqual(['foil']);
});

test('a zone is free once the step before it is done, and again kept when that is taken back', () => {
  expect(labels('Pick', null, ['plug'])).toEqual(['aerials']);
  expect(labels('Pick', null, [])).toEqual(['aerials', 'cable']);
});
