import { sayPatch } from '@/words/say/sayPatch';
import { say } from '@/words/catalogue/core/checks';
import fc from 'fast-check';
import { after, back, operation, phone, shippedModels, smallModel } from '../../../tests/support/models';
import { checkModel } from './checkModel';
import { rules, type RuleId } from './checks/rules';
import type { Face } from './faces';
import type { Joint, OtherJoint, Screw } from './joints';
import type { Model } from './model';
import type { Operation } from './operations';
import type { ModelPart } from './parts';
import { applyPatch } from './patch';

const tripped = (model: Model) => [...new Set(checkModel(model).map(({ rule }) => rule))];

const clip = (id: string, given: Partial<OtherJoint> = {}): Joint => ({
  id,
  kind: 'clip',
  face: 'top',
  xMm: 5,
  yMm: 5,
  holds: [],
  ...given,
});
const screw = (id: string, given: Partial<Screw> = {}): Screw => ({
  id,
  kind: 'screw',
  face: 'top',
  xMm: 5,
  yMm: 5,
  holds: [],
  drive: 'PH00',
  lengthMm: 3,
  diameterMm: 1.4,
  depthMm: 3.4,
  ...given,
});
const part = (id: string, given: Partial<ModelPart> = {}): ModelPart => ({
  id,
  name: id,
  aliases: [],
  category: 'cover',
  interchange: id,
  ...given,
});
const cell = (given: Partial<ModelPart> = {}) => part('cell', { category: 'battery', ...given });
/** An operation that goes back by itself. */
const op = (id: string, given: Partial<Operation> = {}) => operation(id, { back: back(), ...given });
const top: Face = { id: 'top', name: 'Top', widthMm: 50, heightMm: 100, cornerMm: 2, outlines: [], keepOut: [] };
const withParts = (parts: ModelPart[], operations: Operation[], given: Partial<Model> = {}) =>
  smallModel(operations, { parts, ...given });
const zone = { label: 'zone', xMm: 10, yMm: 10, widthMm: 10, heightMm: 10, because: 'Something lies there.' };
const tools: Model['tools'] = [
  { name: 'Steel spatula', kind: 'metal' },
  { name: 'Pick', kind: 'plastic' },
];

/** For each rule, a model that trips it and no other. */
const tripping: Readonly<Record<RuleId, Model>> = {
  'double-id': smallModel([op('a'), op('a')]),
  'dangling-id': smallModel([op('a', { opens: ['nothing'] })]),
  cycle: smallModel([
    op('a', { after: [after('b')] }),
    op('b', { after: [after('a')] }),
    op('c', { after: [after('b')] }),
  ]),
  unreachable: smallModel([op('a', { when: { findings: ['crack'], absentFindings: ['crack'] } })]),
  'never-freed': withParts([part('p', { slot: 'functional' })], [op('a')]),
  'still-held': smallModel([op('a', { frees: ['p'] }), op('b', { opens: ['c'] })], {
    joints: [clip('c', { holds: ['p'] })],
  }),
  'opened-twice': smallModel([op('a', { opens: ['c'] }), op('b', { opens: ['c'], after: [after('a')] })], {
    joints: [clip('c')],
  }),
  'closed-twice': smallModel(
    [op('a', { opens: ['c'], closes: ['c'] }), op('b', { closes: ['c'], after: [after('a')] })],
    { joints: [clip('c')] },
  ),
  'freed-twice': smallModel([op('a', { frees: ['p'] }), op('b', { frees: ['p'], after: [after('a')] })]),
  'refit-not-out': withParts([part('p')], [op('a', { refits: ['p'] })]),
  'motion-blocked': smallModel([op('a', { blockedBy: ['p'] }), op('b', { frees: ['p'] })]),
  'posture-impossible': smallModel([op('a', { frees: ['p'] }), op('b', { posture: 'tent', after: [after('a')] })], {
    postures: [{ name: 'tent', minutes: 0.2, needsParts: ['p'] }],
  }),
  'chances-sum': smallModel([
    op('a', {
      ends: [
        { id: 'x', says: 'x', chance: 0.5 },
        { id: 'y', says: 'y', chance: 0.4 },
      ],
    }),
  ]),
  'times-order': smallModel([op('a', { minutes: { low: 3, likely: 2, high: 4 } })]),
  'text-missing': smallModel([op('a', { title: ' ' })]),
  markup: smallModel([op('a', { detail: 'Press <b>hard</b>.' })]),
  'outside-face': smallModel([op('a', { opens: ['c'] })], { joints: [clip('c', { xMm: 70 })] }),
  implausible: smallModel([op('a', { minutes: { low: 60, likely: 120, high: 200 } })]),
  'power-first': withParts([cell()], [op('a', { opens: ['r'] }), op('b', { frees: ['cell'] })], {
    joints: [clip('r', { kind: 'ribbon' })],
  }),
  'source-uncounted': withParts([cell()], [op('a')]),
  'stands-through': withParts(
    [part('tray', { standsThrough: ['p'] }), part('p')],
    [op('a', { frees: ['p'] }), op('b', { frees: ['tray'] })],
  ),
  'lock-shut': smallModel([op('a', { opens: ['r'] })], { joints: [clip('r', { kind: 'ribbon', lock: 'flip' })] }),
  'hidden-joint': smallModel([op('a', { opens: ['s'] }), op('b', { opens: ['c'] })], {
    joints: [screw('s', { hiddenBy: 'c' }), clip('c', { kind: 'cap' })],
  }),
  'stacked-order': smallModel([op('a', { opens: ['under'] }), op('b', { opens: ['over'] })], {
    joints: [screw('over', { threadsInto: 'under' }), screw('under')],
  }),
  'plugged-before-threaded': smallModel(
    [op('thread', { opens: ['t'] }), op('plug', { opens: ['p'], after: [after('thread')] })],
    { joints: [clip('t', { kind: 'threaded', leadsTo: 'p' }), clip('p', { kind: 'plug' })] },
  ),
  'stuck-before-plugged': smallModel(
    [op('plug', { opens: ['p'] }), op('tape', { opens: ['t'], after: [after('plug')] })],
    { joints: [clip('t', { kind: 'tape', leadsTo: 'p' }), clip('p', { kind: 'plug' })] },
  ),
  // The cover is glued over the display’s plug before the board is back.
  'sealed-before-gate': withParts(
    [part('main', { category: 'board' }), part('panel', { category: 'display' })],
    [
      op('a', { frees: ['main'] }),
      op('b', { after: [after('a')], back: back({ seals: true }) }),
      op('c', { after: [after('b')], opens: ['d'], frees: ['panel'] }),
    ],
    { tests: ['picture'], joints: [clip('d', { kind: 'plug', holds: ['panel'] })] },
  ),
  'gate-impossible': withParts(
    [part('main', { category: 'board' })],
    [
      op('a', { frees: ['main'] }),
      op('b', {
        after: [after('a')],
        back: back({ gate: { what: 'Test', tests: ['starts'], powersOn: true, offAgain: 'Off.' } }),
      }),
    ],
  ),
  'drive-unknown': smallModel([op('a', { opens: ['s'] })], { joints: [screw('s', { drive: 'XZ9' })] }),
  'drive-misfit': smallModel([op('a', { opens: ['s'] })], { joints: [screw('s', { diameterMm: 6 })] }),
  'no-current': withParts([part('eye', { category: 'camera' })], [op('a', { frees: ['eye'] })]),
  'cell-limits': withParts(
    [cell({ heatLimitCelsius: 60 }), part('other', { category: 'battery', heatLimitCelsius: 70 })],
    [op('a', { frees: ['cell'] }), op('b', { frees: ['other'] })],
  ),
  'layer-gone': withParts(
    [part('shield', { category: 'cover' })],
    [
      op('a', { frees: ['shield'] }),
      op('b', {
        after: [after('a')],
        heat: {
          source: 'dryer',
          celsius: 60,
          layers: [
            { material: 'plastic', mm: 1 },
            { material: 'adhesive', mm: 0.2 },
            { material: 'steel', mm: 0.3, part: 'shield' },
          ],
        },
      }),
    ],
  ),
  'gate-names': smallModel([
    op('a', { back: back({ gate: { what: 'Dry fit', tests: [], powersOn: true, offAgain: 'Off.' } }) }),
  ]),
  'moment-first': smallModel([
    op('a', {
      waits: [
        {
          minutes: 5,
          fixture: 'clamp',
          what: 'glue sets',
          first: { does: 'Turn the clamp', minutes: { low: 1, likely: 1, high: 1 } },
        },
      ],
    }),
  ]),
  'power-after-gate': smallModel(
    [op('a', { opens: ['p'], back: back({ gate: { what: 'Test', tests: ['starts'], powersOn: true } }) })],
    { joints: [clip('p', { kind: 'plug' })] },
  ),
  'back-circle': smallModel([
    op('a', { back: back({ after: [{ operation: 'b', because: 'x' }] }) }),
    op('b', { back: back({ after: [{ operation: 'a', because: 'x' }] }) }),
  ]),
  'out-in': smallModel([operation('a', { opens: ['s'] })], { joints: [screw('s')] }),
  'no-consumable': smallModel([op('a', { opens: ['s'] })], { joints: [screw('s', { singleUse: true })] }),
  'no-transfer-list': withParts([part('p', { assembly: ['glass', 'panel'] })], [op('a')]),
  'bound-apart': withParts([part('p', { boundTo: 'q' }), part('q')], [op('a')]),
  'shared-cup': smallModel([op('a', { opens: ['s', 'l'] })], {
    joints: [screw('s', { cup: 'one' }), screw('l', { cup: 'one', lengthMm: 5 })],
  }),
  'too-hot': withParts(
    [cell({ heatLimitCelsius: 60 })],
    [op('a', { heat: { source: 'hot plate', celsius: 80 } }), op('b', { frees: ['cell'] })],
  ),
  'heat-layers': smallModel([
    op('a', {
      heat: {
        source: 'dryer',
        celsius: 60,
        layers: [
          { material: 'cell', mm: 3 },
          { material: 'adhesive', mm: 0.2 },
        ],
      },
    }),
  ]),
  'solvent-heat': smallModel([
    op('a', { solvent: { name: 'Softener', ventilateMinutes: 5 } }),
    op('b', { heat: { source: 'dryer', celsius: 60 } }),
  ]),
  'keep-out': smallModel([op('a', { tool: 'Pick', seam: [{ xMm: 5, yMm: 15, toXMm: 30, toYMm: 15, depthMm: 3 }] })], {
    tools,
    faces: [{ ...top, keepOut: [zone] }],
  }),
  'metal-unprotected': smallModel([op('a', { tool: 'Steel spatula', tip: { xMm: 40, yMm: 15 } })], {
    tools,
    faces: [{ ...top, protectedZones: [zone] }],
  }),
  'metal-at-cell': withParts([cell()], [op('a', { tool: 'Steel spatula', frees: ['cell'] })], { tools }),
  'no-certificate': smallModel([op('a', { opens: ['j'] })], { joints: [clip('j', { kind: 'solder' })] }),
  'no-fixture': smallModel([op('a', { waits: [{ minutes: 5, fixture: '', what: 'glue sets' }] })]),
};

describe('checkModel', () => {
  test.each(shippedModels.map((model) => [model.name, model] as const))('%s, which ships, is clean', (_, model) => {
    expect(checkModel(model)).toEqual([]);
  });

  test.each(Object.keys(rules) as RuleId[])('%s is found, and nothing else', (rule) => {
    expect(tripped(tripping[rule])).toEqual([rule]);
    for (const found of checkModel(tripping[rule])) expect(found.severity).toBe(rules[rule].severity);
  });

  test.each(
    (Object.keys(rules) as RuleId[]).filter((rule) => checkModel(tripping[rule]).some(({ fix }) => fix !== undefined)),
  )('the offered mend of %s mends it', (rule) => {
    // One mend may leave the next one of the same rule (two operations of one circle): mend until none is left.
    let model = tripping[rule];
    for (let tries = 0; tries < 5 && checkModel(model).length > 0; tries += 1) {
      const fix = checkModel(model).find((found) => found.fix !== undefined)?.fix;
      expect(fix).toBeDefined();
      model = applyPatch(model, sayPatch(fix ?? []));
    }
    expect(checkModel(model)).toEqual([]);
  });

  test('a problem names its place, says what is wrong and how to mend it', () => {
    const inWords = checkModel(tripping['dangling-id']).map((found) => ({
      ...found,
      says: say(found.says),
      mend: say(found.mend),
    }));
    expect(inWords).toEqual([
      {
        rule: 'dangling-id',
        severity: 'error',
        place: 'operations[0] (a).opens[0]',
        path: ['operations', 0, 'opens', 0],
        says: 'There is no joint “nothing”.',
        mend: 'Add the joint, or name one that exists.',
        fix: [{ path: ['operations', 0, 'opens', 0], value: undefined }],
      },
    ]);
  });
});

test('ends that wait for each other in a circle are found, and an end that is not there', () => {
  const ends = [
    { id: 'whole', says: 'Whole', chance: 0.6 },
    { id: 'torn', says: 'Torn', chance: 0.4 },
  ];
  const circle = smallModel([
    op('a', { ends, when: { ends: [{ operation: 'b', end: 'torn' }] } }),
    op('b', { ends, when: { ends: [{ operation: 'a', end: 'torn' }] } }),
  ]);
  expect(tripped(circle)).toContain('cycle');
  const lost = smallModel([op('a', { ends }), op('b', { when: { ends: [{ operation: 'a', end: 'bent' }] } })]);
  expect(checkModel(lost)[0]).toMatchObject({ rule: 'dangling-id', place: 'operations[1] (b).when.ends[0].end' });
});

test('a clock cell that feeds only what it sits on does not hold up the rest', () => {
  const model = (reach: 'everything' | 'its-own') =>
    withParts(
      [
        part('clock', { category: 'clock-cell', power: 'second', powerReach: reach }),
        part('panel', { category: 'display' }),
      ],
      [op('a', { opens: ['d'], frees: ['panel'] }), op('b', { opens: ['c'], frees: ['clock'] })],
      {
        joints: [
          clip('d', { kind: 'plug', holds: ['panel'] }),
          clip('c', { kind: 'clip', power: true, holds: ['clock'] }),
        ],
      },
    );
  expect(tripped(model('everything'))).toEqual(['power-first']);
  expect(tripped(model('its-own'))).toEqual([]);
});

describe('what looks like a fault and is none', () => {
  test.each<[string, Model]>([
    [
      'an alternative that waits for itself',
      smallModel([op('a'), op('b', { after: [after('a', 'c')] }), op('c', { after: [after('b')] })]),
    ],
    [
      'a test mating',
      smallModel(
        [
          op('a', { opens: ['c'] }),
          op('try', { closes: ['c'], after: [after('a')] }),
          op('again', { opens: ['c'], after: [after('try')] }),
        ],
        { joints: [clip('c')] },
      ),
    ],
    [
      'a refit',
      smallModel([
        op('a', { frees: ['p'] }),
        op('lay', { refits: ['p'], after: [after('a')] }),
        op('off', { frees: ['p'], after: [after('lay')] }),
      ]),
    ],
    [
      'a joint that another one releases',
      smallModel([op('a', { opens: ['axle'], frees: ['p'] })], {
        joints: [clip('axle', { releases: ['spring'] }), clip('spring', { holds: ['p'] })],
      }),
    ],
    [
      'a joint of another revision',
      smallModel(
        [
          op('a', { frees: ['p'], when: { revisions: ['a'] } }),
          op('b', { opens: ['c'], frees: ['p'], when: { revisions: ['b'] } }),
        ],
        {
          revisions: [
            { id: 'a', tell: 'x' },
            { id: 'b', tell: 'y' },
          ],
          joints: [clip('c', { holds: ['p'] })],
        },
      ),
    ],
    [
      'two routes that each open the joint',
      smallModel(
        [
          op('left', { opensIfShut: ['c'] }),
          op('right', { opensIfShut: ['c'] }),
          op('p', { frees: ['p'], after: [after('left', 'right')] }),
        ],
        { joints: [clip('c', { holds: ['p'] })] },
      ),
    ],
    [
      'a cable that must be off before the battery can be reached',
      withParts([cell()], [op('a', { opens: ['r'] }), op('b', { frees: ['cell'], after: [after('a')] })], {
        joints: [clip('r', { kind: 'ribbon' })],
      }),
    ],
    [
      'a screw in a fitting cup of its own',
      smallModel([op('a', { opens: ['s', 'l'] })], {
        joints: [screw('s', { cup: 'one' }), screw('l', { cup: 'one', lengthMm: 3.2 })],
      }),
    ],
    [
      'solvent after the heat',
      smallModel([
        op('b', { heat: { source: 'dryer', celsius: 60 } }),
        op('a', { solvent: { name: 'Softener', ventilateMinutes: 5 }, after: [after('b')] }),
      ]),
    ],
    [
      'a tool beside the zone, and one no deeper than it may go',
      smallModel(
        [
          op('a', {
            tool: 'Pick',
            seam: [
              { xMm: 5, yMm: 9, toXMm: 30, toYMm: 9, depthMm: 3 },
              { xMm: 5, yMm: 15, toXMm: 30, toYMm: 15, depthMm: 2 },
            ],
          }),
        ],
        { tools, faces: [{ ...top, keepOut: [{ ...zone, depthMm: 2 }] }] },
      ),
    ],
    [
      'what is left open on purpose',
      smallModel(
        [op('a', { opens: ['s'], back: back({ leaves: [{ joint: 's', because: 'The new frame brings its own.' }] }) })],
        { joints: [screw('s')] },
      ),
    ],
    [
      'a single-use seal that may be used again',
      withParts([part('p', { singleUse: true, reusableIf: 'Is it whole?' })], [op('a', { frees: ['p'] })]),
    ],
  ])('%s', (_, model) => {
    expect(checkModel(model)).toEqual([]);
  });
});

describe('whatever is done to a sound model', () => {
  const document = phone;
  const indexes = fc.nat({ max: document.operations.length - 1 });

  test('taking an arc, a joint or a step’s way back away never makes the checker throw', () => {
    fc.assert(
      fc.property(indexes, fc.constantFrom('after', 'opens', 'frees', 'back'), (at, field) => {
        const value = field === 'back' ? null : [];
        const found = checkModel(applyPatch(document, [{ path: ['operations', at, field], value }]));
        for (const { rule, place, says, mend } of found) {
          expect(Object.keys(rules)).toContain(rule);
          expect([place, say(says), say(mend)].every((text) => text.length > 0)).toBe(true);
        }
      }),
      { seed: 3 },
    );
  });

  test('reordering the document’s operations finds nothing new', () => {
    fc.assert(
      fc.property(
        fc.shuffledSubarray([...document.operations], { minLength: document.operations.length }),
        (operations) => {
          expect(checkModel({ ...document, operations })).toEqual([]);
        },
      ),
      { seed: 5, numRuns: 40 },
    );
  });

  test('every mend that is offered can be made', () => {
    fc.assert(
      fc.property(indexes, indexes, (a, b) => {
        const [from, to] = [document.operations[a] as Operation, document.operations[b] as Operation];
        const broken = applyPatch(document, [
          { path: ['operations', a, 'after', from.after.length], value: after(to.id) },
          { path: ['operations', b, 'opens'], value: from.opens },
        ]);
        for (const { fix } of checkModel(broken)) if (fix) expect(() => applyPatch(broken, fix)).not.toThrow();
      }),
      { seed: 8 },
    );
  });
});
