import { planGroups } from './planGroups';
import type { PlanCell, PlanRow } from './planView';

const cell = (slot: string, more: Partial<PlanCell> = {}): PlanCell => ({
  ...{ slot, name: slot, grade: 'B', holds: false, fill: null, isSetAside: false, isSeen: false },
  ...more,
});
const filled = (slot: string) =>
  cell(slot, { fill: { slot, name: slot, is: 'lot', from: 'l', grade: 'B', cents: 100 } });
const row = (tag: string, modelId: string, cents: number, more: Partial<PlanRow> = {}): PlanRow => ({
  ...{ tag, id: tag, version: 1, modelId, model: modelId, fate: 'build', before: null, proposed: null },
  ...{ isNews: true, sellsAt: 'B', betterAt: 'A', heldBy: [], cents, minutes: 10, fills: [], cells: [], gives: [] },
  ...{ order: null, completes: 1 },
  ...more,
});

test('models come by how much of them is to be decided, then by money; so do their units', () => {
  const groups = planGroups(
    [
      row('U-1', 'm', 100, { isNews: false }),
      row('U-2', 'm', 50),
      row('U-3', 'n', 10),
      row('U-4', 'n', 20),
      row('U-5', 'o', 900, { isNews: false }),
    ],
    7,
  );
  expect(groups.map(({ modelId, news, cents }) => [modelId, news, cents])).toEqual([
    ['n', 2, 30],
    ['m', 1, 150],
    ['o', 0, 900],
  ]);
  expect(groups.map(({ rows }) => rows.map(({ tag }) => tag))).toEqual([['U-4', 'U-3'], ['U-2', 'U-1'], ['U-5']]);
});

test('a slot has a column where something happens in it; where there is no room, those that most happens in; in their order', () => {
  const cells = [cell('lid'), filled('display'), cell('port'), filled('battery'), cell('deck', { holds: true })];
  const rows = [row('U-1', 'm', 1, { cells }), row('U-2', 'm', 1, { cells: [cell('lid'), filled('battery')] })];
  const slots = (most: number) => planGroups(rows, most)[0]?.columns.map(({ slot }) => slot);
  expect(slots(7)).toEqual(['display', 'battery', 'deck']);
  expect(slots(2)).toEqual(['display', 'battery']);
  expect(slots(1)).toEqual(['battery']);
});

test('nothing is nothing', () => {
  expect(planGroups([], 7)).toEqual([]);
});
