import { addressed, dealingsOf } from './contacts';

const counted = [
  { kind: 'supplier', name: 'Ferry Line', lots: 3, units: 60, lastOn: '2026-11-02' },
  { kind: 'customer', name: 'Ferry Line', lots: 1, units: 4, lastOn: '2026-11-20' },
  { kind: 'supplier', name: 'School Boat', lots: 1, units: 5, lastOn: '2026-11-20' },
] as const;

test('everybody once: what was counted with the address noted, who dealt last first', () => {
  const noted = [
    { kind: 'supplier', name: 'ferry line ', address: 'Pier 4' },
    { kind: 'supplier', name: 'Library', address: null },
  ] as const;
  expect(dealingsOf(counted, noted).map(({ kind, name, address, lots }) => [kind, name, address, lots])).toEqual([
    ['customer', 'Ferry Line', null, 1],
    ['supplier', 'School Boat', null, 1],
    ['supplier', 'Ferry Line', 'Pier 4', 3],
    ['supplier', 'Library', null, 0],
  ]);
});

test('a paper is addressed to a name, and to where that is if it is known', () => {
  expect(addressed('Ferry Line', null)).toBe('Ferry Line');
  expect(addressed('Ferry Line', 'Pier 4, Saltreach')).toBe('Ferry Line, Pier 4, Saltreach');
});
