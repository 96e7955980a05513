import { say } from '@/words/catalogue/core/opening';
import fc from 'fast-check';
import { checkModel } from '@/core/procedure/checkModel';
import { imbalancesOf } from './balance';
import { draftFromLogs } from './draftFromLogs';
import type { LogEntry, OpeningHead, OpeningLog, Verb } from './openingLog';
import { questionsFor } from './questions';
import { supportedOrder } from './supportedOrder';

const head: OpeningHead = {
  maker: 'Fennick',
  name: 'Unknown',
  kind: 'handheld',
  proofOfOff: 'Battery out: it is off.',
};
let counter = 0;
const entry = (verb: Verb, thing: string, given: Partial<LogEntry> = {}): LogEntry => ({
  id: String((counter += 1)),
  leg: 'out',
  verb,
  thing,
  tool: 'Hands',
  screws: [],
  face: 'Back up',
  posture: '',
  trouble: '',
  seconds: 30,
  ...given,
});
const screws = (count: number, lengthMm = 3) => ({ screws: [{ drive: 'PH00', lengthMm, count }] });
/** Out as given, and back in reverse. */
const log = (number: number, out: readonly LogEntry[]): OpeningLog => ({
  number,
  entries: [
    ...out,
    ...[...out]
      .reverse()
      .filter(({ verb }) => verb !== 'look')
      .map((step) => ({ ...step, id: `${step.id}b`, leg: 'back' as const, seconds: 40 })),
  ],
});

const first = log(1, [
  entry('slide', 'door'),
  entry('take', 'battery'),
  entry('unscrew', 'front shell', screws(4, 6)),
  entry('take', 'front shell', { face: 'Keys up' }),
  entry('take', 'keypad', { face: 'Front off' }),
  entry('unplug', 'display', { face: 'Front off' }),
  entry('take', 'display', { face: 'Front off' }),
]);
const second = log(2, [
  entry('slide', 'door', { seconds: 20 }),
  entry('take', 'battery'),
  entry('unscrew', 'front shell', screws(4, 6)),
  entry('take', 'front shell', { face: 'Keys up' }),
  entry('unplug', 'display', { face: 'Front off' }),
  entry('take', 'display', { face: 'Front off' }),
  entry('take', 'keypad', { face: 'Front off' }),
]);
const pairs = (arcs: readonly { before: string; after: string }[]) =>
  arcs.map(({ before, after }) => `${before} < ${after}`);

describe('supportedOrder', () => {
  test('one log gives a chain; a second one in another order takes away what it contradicts', () => {
    expect(pairs(supportedOrder([['a', 'b', 'c']]).arcs)).toEqual(['a < b', 'b < c']);
    const { arcs, contradicted } = supportedOrder([
      ['a', 'b', 'c'],
      ['a', 'c', 'b'],
    ]);
    expect(pairs(arcs)).toEqual(['a < b', 'a < c']);
    expect(pairs(contradicted)).toEqual(['b < c']);
  });

  test('what only one log has keeps its place there, seen once', () => {
    const { arcs } = supportedOrder([
      ['a', 'b', 'c'],
      ['a', 'c'],
    ]);
    expect(arcs).toEqual([
      { before: 'a', after: 'b', seen: 1 },
      { before: 'b', after: 'c', seen: 1 },
    ]);
  });

  test('two orders: exactly the pairs that both have follow from the arcs (brute force)', () => {
    const keys = ['a', 'b', 'c', 'd', 'e', 'f'];
    const orders = fc.shuffledSubarray(keys, { minLength: 6 });
    fc.assert(
      fc.property(orders, orders, (one, two) => {
        const { arcs } = supportedOrder([one, two]);
        const reach = (from: string, to: string): boolean =>
          arcs.some(({ before, after }) => before === from && (after === to || reach(after, to)));
        for (const a of keys) {
          for (const b of keys) {
            if (a === b) continue;
            const isInBoth = one.indexOf(a) < one.indexOf(b) && two.indexOf(a) < two.indexOf(b);
            expect(reach(a, b)).toBe(isInBoth);
          }
        }
        // None of them follows from the others.
        for (const arc of arcs) {
          const rest = arcs.filter((other) => other !== arc);
          const around = (from: string): boolean =>
            rest.some(({ before, after }) => before === from && (after === arc.after || around(after)));
          expect(around(arc.before)).toBe(false);
        }
      }),
      { seed: 4 },
    );
  });
});

describe('out and back', () => {
  test('balance when what came off went back, screw by screw', () => {
    expect(imbalancesOf(first)).toEqual([]);
  });

  test('a screw less, another length, a part left out: each is named', () => {
    const short: OpeningLog = {
      number: 1,
      entries: [
        entry('unscrew', 'plate', screws(4, 3)),
        entry('take', 'plate'),
        entry('unscrew', 'plate', { ...screws(3, 3), leg: 'back' }),
      ],
    };
    expect(imbalancesOf(short)).toEqual([
      { log: 1, what: 'PH00 3.0', out: 4, back: 3 },
      { log: 1, what: 'take plate', out: 1, back: 0 },
    ]);
  });

  test('nothing is said while the way back is not logged', () => {
    expect(imbalancesOf({ number: 1, entries: [entry('take', 'plate')] })).toEqual([]);
  });
});

describe('draftFromLogs', () => {
  test('one log: every arc is unproven, minutes are as measured', () => {
    const { model } = draftFromLogs(head, [first]);
    const arcs = model.operations.flatMap(({ after }) => after);
    expect(arcs.length).toBe(6);
    expect(arcs.every(({ isUnproven }) => isUnproven)).toBe(true);
    expect(model.operations[0]?.minutes).toEqual({ low: 0.35, likely: 0.5, high: 0.9 });
    expect(model.joints.filter(({ kind }) => kind === 'screw')).toHaveLength(4);
  });

  test('a second log in another order leaves what both support, proven, and says what fell', () => {
    const { model, contradicted } = draftFromLogs(head, [first, second]);
    const keypad = model.operations.find(({ id }) => id === 'take-keypad');
    const display = model.operations.find(({ id }) => id === 'unplug-display');
    expect(keypad?.after.map(({ any }) => any)).toEqual([['take-front-shell']]);
    expect(display?.after.map(({ any }) => any)).toEqual([['take-front-shell']]);
    expect(model.operations.flatMap(({ after }) => after).some(({ isUnproven }) => isUnproven)).toBe(false);
    expect(contradicted).toHaveLength(2);
    expect(model.operations[0]?.minutes.likely).toBeCloseTo(25 / 60, 2);
  });

  test('comes out as a draft that may be published', () => {
    const { model } = draftFromLogs(head, [first, second]);
    expect(checkModel(model)).toEqual([]);
    expect(model.faces.map(({ name }) => name)).toEqual(['Back up', 'Keys up', 'Front off']);
    expect(model.parts.find(({ name }) => name === 'battery')?.category).toBe('battery');
  });

  test('a way back that is not the reverse keeps its order', () => {
    const out = [entry('take', 'lid'), entry('unplug', 'cell'), entry('take', 'cell')];
    const back = [
      entry('unplug', 'cell', { leg: 'back' }),
      entry('take', 'cell', { leg: 'back' }),
      entry('take', 'lid', { leg: 'back' }),
    ];
    const { model } = draftFromLogs(head, [{ number: 1, entries: [...out, ...back] }]);
    expect(model.operations.find(({ id }) => id === 'take-cell')?.back?.after).toMatchObject([
      { operation: 'unplug-cell' },
    ]);
  });

  test('trouble becomes a caution, and the same thing done twice two operations', () => {
    const { model } = draftFromLogs(head, [
      { number: 1, entries: [entry('peel', 'tape', { trouble: 'tore' }), entry('peel', 'tape')] },
    ]);
    expect(model.operations.map(({ id }) => id)).toEqual(['peel-tape', 'peel-tape-2']);
    expect(model.operations[0]?.cautions[0]?.what).toContain('tore');
  });
});

describe('what is asked', () => {
  test('safety first, then the way back and a second log, then money and names', () => {
    const { model } = draftFromLogs({ ...head, proofOfOff: '' }, [
      {
        number: 1,
        entries: [
          entry('take', 'lid'),
          entry('unscrew', 'plate', { screws: [...screws(2, 3).screws, ...screws(1, 4).screws] }),
        ],
      },
    ]);
    const asked = questionsFor(model, [], 1);
    expect(asked.map(({ id }) => id)).toEqual([
      'proof-of-off',
      'battery',
      'way-back',
      'second-log',
      'off-when-dead',
      'depth-PH00-3',
      'values',
      'places',
      'price',
      'captive',
      'revisions',
      'marks',
    ]);
    expect(asked.map(({ weight }) => weight)).toEqual([...asked.map(({ weight }) => weight)].sort((a, b) => b - a));
  });

  test('of each step, what a log cannot tell: heat, seam, cure, tie, motion, what helps; and nothing that is answered', () => {
    const glued = log(1, [
      entry('cut', 'cover', { trouble: 'sticks' }),
      entry('slide', 'tray'),
      entry('unplug', 'cover'),
      entry('take', 'cover'),
      entry('take', 'tray'),
    ]);
    const { model } = draftFromLogs(head, [glued]);
    const ids = (of: typeof model) => questionsFor(of, [], 2).map(({ id }) => id);
    const perStep = ['heat', 'seam', 'limit', 'ladder', 'cure'].map((field) => `${field}-cut-cover`);
    expect(ids(model)).toEqual(expect.arrayContaining([...perStep, 'motion-slide-tray']));
    for (const { asks, path } of questionsFor(model, [], 2)) {
      expect(say(asks)).not.toMatch(/[{}]/);
      expect(path).toBeDefined();
    }
    const answered = model.operations.map((operation) => ({
      ...operation,
      heat: { source: 'hot plate' as const, celsius: 70 },
      seam: [],
      limit: { mm: 20, because: 'The cable ties it.', until: 'unplug-cover' },
      ladder: { rungs: [], stop: 'Leave it.' },
      motion: { kind: 'slide' as const },
      back: operation.back && { ...operation.back, waits: [] },
    }));
    const left = ids({ ...model, operations: answered, offWhenDead: 'Unplug the battery.' });
    expect(left.filter((id) => /^(heat|seam|limit|ladder|cure|motion|off)-/.test(id))).toEqual([]);
  });

  test('an imbalance is asked about by name, and what is known is not asked', () => {
    const { model } = draftFromLogs(head, [first, second]);
    const asked = questionsFor(model, [{ log: 2, what: 'PH00 6.0', out: 4, back: 3 }], 2);
    expect(asked[0] && say(asked[0].asks)).toContain('PH00 6.0 4 out, 3 back');
    expect(asked.map(({ id }) => id)).not.toContain('second-log');
    expect(asked.map(({ id }) => id)).not.toContain('battery');
  });
});
