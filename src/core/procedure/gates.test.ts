import { after, back, operation, smallModel, smallPart as part } from '../../../tests/support/models';
import { startingHouseRules } from '@/core/shared/houseRules';
import { asWritten } from '@/core/shared/schools';
import { planRunSheet } from '@/core/teardown/sheet/runSheet';
import type { OtherJoint } from './joints';
import type { Model } from './model';
import type { Operation } from './operations';
import { closedInBy, gateBefore, planFor, unproven } from './gates';
import { testPaths } from './testPaths';

const joint = (id: string, holds: string[], given: Partial<OtherJoint> = {}): OtherJoint => ({
  id,
  kind: 'plug',
  face: 'top',
  xMm: 5,
  yMm: 5,
  holds,
  ...given,
});
const op = (id: string, given: Partial<Operation>) => operation(id, { back: back({ title: `Back ${id}` }), ...given });

/** A cell, a board and a display under a cover that is glued down before the battery’s plug goes in. */
const model = (given: Partial<Model> = {}): Model =>
  smallModel(
    [
      op('cell-plug', { opens: ['bp'] }),
      op('cover', { opens: ['glue'], after: [after('cell-plug')], back: back({ title: 'Glue', seals: true }) }),
      op('panel', { opens: ['dp'], frees: ['panel'], after: [after('cover')] }),
      op('board', { opens: ['clip'], frees: ['board'], after: [after('panel')] }),
    ],
    {
      tests: ['starts', 'picture', 'account-lock'],
      parts: [
        part('cell', 'battery', { valueCents: undefined, slot: undefined }),
        part('board', 'board', { data: true }),
        part('panel', 'display'),
      ],
      joints: [
        joint('bp', ['cell'], { power: true }),
        joint('dp', ['panel', 'board']),
        joint('glue', ['panel'], { kind: 'glue' }),
        joint('clip', ['board'], { kind: 'clip' }),
      ],
      ...given,
    },
  );

const all = (ids: string[]) => new Set(ids);
const nothing = { openJoints: all([]), outParts: all([]), disturbed: all([]), proven: new Set<never>() };

describe('what a test runs through', () => {
  test('the source, the main boards, and the plugs of what it looks at; locks are no test of that kind', () => {
    const paths = testPaths(model());
    expect([...paths.keys()]).toEqual(['starts', 'picture']);
    expect([...(paths.get('picture')?.joints ?? [])].sort()).toEqual(['bp', 'dp']);
    expect([...(paths.get('starts')?.joints ?? [])]).toEqual(['bp']);
    expect([...(paths.get('starts')?.parts ?? [])]).toEqual([]);
  });

  test('where the model says it, that takes the place of what its kind says', () => {
    const own = model({ testNeeds: [{ test: 'picture', parts: ['board'], joints: ['clip'] }] });
    expect([...(testPaths(own).get('picture')?.joints ?? [])].sort()).toEqual(['bp', 'clip']);
  });
});

describe('a gate', () => {
  const open = { ...nothing, openJoints: all(['bp', 'glue']), disturbed: all(['bp', 'glue', 'dp', 'panel']) };

  test('puts on for the test what is still open, and asks only for what the step closes in', () => {
    const inside = closedInBy(model().operations).get('cover') as ReadonlySet<string>;
    expect([...inside].sort()).toEqual(['board', 'clip', 'dp', 'glue', 'panel']);
    expect(gateBefore(model(), open, inside).plan).toEqual({
      tests: ['picture'],
      mates: ['bp'],
      lays: [],
      usesPack: false,
    });
    expect(gateBefore(model(), open, all(['nothing'])).plan).toBeNull();
    // At the end everything that was disturbed is asked for.
    expect(gateBefore(model(), open, null).plan?.tests).toEqual(['starts', 'picture']);
  });

  test('takes the test pack in place of the cell where the model has one', () => {
    const packed = model({ testPack: { name: 'Pack', joint: 'bp' } });
    expect(gateBefore(packed, open, null).plan).toEqual({
      tests: ['starts', 'picture'],
      mates: [],
      lays: [],
      usesPack: true,
    });
  });

  test('cannot be passed without its board, nor through what cannot be put on for a test', () => {
    const without = { ...open, outParts: all(['board']) };
    expect(planFor(model(), ['picture'], without)).toEqual({
      plan: null,
      untestable: [{ test: 'picture', lacks: 'board' }],
    });
    const soldered = model({
      joints: [...model().joints.filter(({ id }) => id !== 'dp'), joint('dp', ['panel'], { kind: 'solder' })],
    });
    const loose = { ...nothing, openJoints: all(['dp']) };
    expect(planFor(soldered, ['picture'], loose).untestable).toEqual([{ test: 'picture', lacks: 'dp' }]);
  });

  test('what was proven is not asked again until something it runs through is touched', () => {
    const proven = new Set(['picture', 'starts'] as const);
    expect(gateBefore(model(), { ...open, proven }, null).plan).toBeNull();
    expect([...unproven(model(), proven, ['dp'])]).toEqual(['starts']);
    expect([...unproven(model(), proven, ['bp'])]).toEqual([]);
  });
});

test('on a sheet: connect, prove, off, unplug, glue, and the plug for good', () => {
  const rules = { ...startingHouseRules, schools: asWritten };
  const sheet = planRunSheet(
    model(),
    { kind: 'rebuild', targets: ['panel'], revision: 'a', configuration: 'standard', findings: [] },
    rules,
  );
  if (!sheet.ok) throw new Error('no sheet');
  const back = sheet.value.steps.filter(({ leg }) => leg !== 'out');
  expect(back.map(({ id }) => id)).toEqual([
    'back:panel',
    'gate:before-cover',
    'back:cover',
    'back:cell-plug',
    'gate:before-leaving',
  ]);
  expect(back[1]).toMatchObject({ tests: ['picture'], mates: ['bp'] });
  // The plug is made for good after that, and what runs through it is proven then.
  expect(back[4]).toMatchObject({ tests: ['starts', 'picture'], mates: [] });
});
