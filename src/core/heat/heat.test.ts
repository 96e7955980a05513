import fc from 'fast-check';
import { shippedModels } from '../../../tests/support/models';
import { fitCoupling, temperaturesAt } from './fitCoupling';
import { heatPlan, heatSegments, longestSeconds, type HeatGoal } from './heatPlan';
import { matrixExponential, multiply, type Matrix } from './matrixExponential';
import { operation as smallOperation, smallModel, smallPart as part } from '../../../tests/support/models';
import type { Operation } from '@/core/procedure/operations';
import { layersOf } from './materials';
import { heatQuestion } from './stackOf';
import { atRest, networkStep, type Heater, type HeatStack, type Temperatures } from './thermalNetwork';

const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });

const expectClose = (a: Matrix, b: Matrix, digits: number) =>
  a.forEach((row, at) =>
    row.forEach((value, column) => expect(value).toBeCloseTo((b[at] as number[])[column] as number, digits)),
  );

describe('the exponential of a matrix', () => {
  test('of a diagonal is the exponential of each, and of nothing is one', () => {
    expectClose(
      matrixExponential([
        [1, 0],
        [0, -3],
      ]),
      [
        [Math.E, 0],
        [0, Math.exp(-3)],
      ],
      12,
    );
    expect(matrixExponential([])).toEqual([]);
  });

  test('turns by an angle, however large', () => {
    const angle = 40;
    expectClose(
      matrixExponential([
        [0, -angle],
        [angle, 0],
      ]),
      [
        [Math.cos(angle), -Math.sin(angle)],
        [Math.sin(angle), Math.cos(angle)],
      ],
      9,
    );
  });

  test('times that of its negative is one', () => {
    const square = fc.array(fc.array(between(-2, 2), { minLength: 3, maxLength: 3 }), { minLength: 3, maxLength: 3 });
    fc.assert(
      fc.property(square, (matrix) => {
        const negative = matrix.map((row) => row.map((value) => -value));
        const one = [
          [1, 0, 0],
          [0, 1, 0],
          [0, 0, 1],
        ];
        expectClose(multiply(matrixExponential(matrix), matrixExponential(negative)), one, 7);
      }),
    );
  });

  test.each([[[[1, 2]]], [[[Number.NaN]]]])('%o is refused', (matrix) => {
    expect(() => matrixExponential(matrix)).toThrow(RangeError);
  });
});

const stacks = fc.record({
  cover: between(800, 4000),
  adhesive: between(300, 2000),
  cell: between(4000, 20_000),
  through: between(50, 900),
  gap: between(5, 90),
  loss: between(2, 15),
  ambient: between(15, 30),
});
const stackFrom = (drawn: typeof stacks extends fc.Arbitrary<infer T> ? T : never): HeatStack => ({
  layers: [
    { name: 'cover', capacity: drawn.cover, toNext: drawn.through, toAmbient: drawn.loss },
    { name: 'adhesive', capacity: drawn.adhesive, toNext: drawn.gap, toAmbient: 1 },
    { name: 'cell', capacity: drawn.cell, toNext: 0, toAmbient: drawn.loss },
  ],
  adhesive: 1,
  cell: 2,
  ambientCelsius: drawn.ambient,
});

describe('the thermal network', () => {
  test('one layer warms as the textbook says', () => {
    const stack: HeatStack = {
      layers: [{ name: 'plate', capacity: 2000, toNext: 0, toAmbient: 0 }],
      adhesive: 0,
      cell: 0,
      ambientCelsius: 20,
    };
    const heater = { celsius: 80, coupling: 40 };
    for (const seconds of [1, 50, 400]) {
      const [now] = networkStep(stack, heater, seconds)(atRest(stack));
      expect(now).toBeCloseTo(80 - 60 * Math.exp((-40 / 2000) * seconds), 9);
    }
  });

  test('agrees with a thousand small steps of Euler, and one long step with many short ones', () => {
    fc.assert(
      fc.property(stacks, between(20, 90), (drawn, coupling) => {
        const stack = stackFrom(drawn);
        const heater = { celsius: 80, coupling };
        const exact = networkStep(stack, heater, 120)(atRest(stack));
        let euler = [...atRest(stack)];
        const dt = 120 / 4000;
        for (let at = 0; at < 4000; at += 1) euler = eulerStep(stack, heater, euler, dt);
        exact.forEach((value, layer) => expect(Math.abs(value - (euler[layer] as number))).toBeLessThan(0.1));
        let short: Temperatures = atRest(stack);
        const step = networkStep(stack, heater, 3);
        for (let at = 0; at < 40; at += 1) short = step(short);
        exact.forEach((value, layer) => expect(value).toBeCloseTo(short[layer] as number, 8));
      }),
      { numRuns: 20 },
    );
  });

  test('left alone it comes to the room’s temperature, and nothing gets hotter than what warms it', () => {
    fc.assert(
      fc.property(stacks, between(10, 200), between(40, 120), (drawn, coupling, celsius) => {
        const stack = stackFrom(drawn);
        const hot = networkStep(stack, { celsius, coupling }, 5000)(atRest(stack));
        for (const value of hot) expect(value).toBeLessThanOrEqual(celsius + 1e-9);
        for (const value of networkStep(stack, null, 1e6)(hot)) expect(value).toBeCloseTo(stack.ambientCelsius, 6);
      }),
    );
  });

  test.each([
    { capacity: 0, toNext: 1, toAmbient: 1 },
    { capacity: 1, toNext: -1, toAmbient: 1 },
  ])('a layer of %o cannot be', (layer) => {
    const stack = { layers: [{ name: 'x', ...layer }], adhesive: 0, cell: 0, ambientCelsius: 20 };
    expect(() => networkStep(stack, null, 1)).toThrow(RangeError);
  });
});

function eulerStep(
  { layers, ambientCelsius }: HeatStack,
  heater: Heater,
  now: readonly number[],
  dt: number,
): number[] {
  return now.map((value, at) => {
    const layer = layers[at] as HeatStack['layers'][number];
    const outer = layers[at - 1];
    const flow =
      (at + 1 < now.length ? layer.toNext * ((now[at + 1] as number) - value) : 0) +
      (outer ? outer.toNext * ((now[at - 1] as number) - value) : 0) +
      layer.toAmbient * (ambientCelsius - value) +
      (at === 0 ? heater.coupling * (heater.celsius - value) : 0);
    return value + (flow / layer.capacity) * dt;
  });
}

const goals = fc.record({ from: between(40, 60), limit: between(45, 75), margin: between(1, 5) });

describe('the heat plan', () => {
  test('never takes the cell past its limit less the margin, and is soft exactly when it says so', () => {
    fc.assert(
      fc.property(stacks, goals, between(15, 120), (drawn, { from, limit, margin }, coupling) => {
        const stack = stackFrom(drawn);
        const goal: HeatGoal = { fromCelsius: from, toCelsius: from + 15, limitCelsius: limit, marginKelvin: margin };
        const plan = heatPlan(stack, { celsius: from + 15, coupling }, goal);
        expect(plan.peakCellCelsius).toBeLessThanOrEqual(limit - margin + 0.05);
        expect(plan.phases.reduce((sum, { seconds }) => sum + seconds, 0)).toBe(plan.readySeconds);
        const soft = plan.curve.map((now) => now[1] as number);
        if (plan.isReached) {
          expect(soft.at(-1)).toBeGreaterThanOrEqual(from);
          for (const value of soft.slice(0, -1)) expect(value).toBeLessThan(from);
        } else {
          expect(plan.readySeconds).toBe(longestSeconds);
          expect(plan.bestAdhesiveCelsius).toBeLessThan(from);
        }
        plan.phases.slice(1).forEach(({ isOn }, at) => expect(isOn).not.toBe(plan.phases[at]?.isOn));
      }),
      { numRuns: 30 },
    );
  });

  test('a better coupling is never slower while the cell is far from its limit', () => {
    fc.assert(
      fc.property(stacks, between(20, 60), (drawn, coupling) => {
        const stack = stackFrom(drawn);
        const goal = { fromCelsius: 45, toCelsius: 90, limitCelsius: 200, marginKelvin: 3 };
        const slow = heatPlan(stack, { celsius: 90, coupling }, goal);
        const quick = heatPlan(stack, { celsius: 90, coupling: coupling * 1.5 }, goal);
        expect(quick.readySeconds).toBeLessThanOrEqual(slow.readySeconds);
      }),
      { numRuns: 40 },
    );
  });

  test('where the cell sits too close it goes on and off, and where it cannot be done it says so', () => {
    const close: HeatStack = {
      layers: [
        { name: 'cover', capacity: 2000, toNext: 400, toAmbient: 9 },
        { name: 'adhesive', capacity: 800, toNext: 120, toAmbient: 2 },
        { name: 'cell', capacity: 3000, toNext: 0, toAmbient: 30 },
      ],
      adhesive: 1,
      cell: 2,
      ambientCelsius: 22,
    };
    const heater = { celsius: 90, coupling: 45 };
    const cycled = heatPlan(close, heater, { fromCelsius: 52, toCelsius: 90, limitCelsius: 50, marginKelvin: 2 });
    expect(cycled.isReached).toBe(true);
    expect(cycled.phases.length).toBeGreaterThan(0);
    const never = heatPlan(close, heater, { fromCelsius: 70, toCelsius: 90, limitCelsius: 40, marginKelvin: 2 });
    expect(never.isReached).toBe(false);
    expect(never.phases.filter(({ isOn }) => !isOn).length).toBeGreaterThan(1);
  });

  test('what is soft already needs no heat', () => {
    const stack = stackFrom({ cover: 2000, adhesive: 800, cell: 9000, through: 400, gap: 20, loss: 9, ambient: 22 });
    const goal = { fromCelsius: 20, toCelsius: 60, limitCelsius: 60, marginKelvin: 3 };
    expect(heatPlan(stack, { celsius: 60, coupling: 40 }, goal)).toMatchObject({
      readySeconds: 0,
      phases: [],
      isReached: true,
    });
  });

  test('stretch by stretch the cell keeps the heat of those before', () => {
    const stack = stackFrom({ cover: 2600, adhesive: 1100, cell: 9500, through: 420, gap: 22, loss: 9, ambient: 22 });
    const goal = { fromCelsius: 55, toCelsius: 70, limitCelsius: 70, marginKelvin: 3 };
    const segments = ['left', 'right', 'top'].map((warm) => ({ warm, workSeconds: 40 }));
    const plans = heatSegments(stack, { celsius: 70, coupling: 45 }, goal, segments);
    const margins = plans.map(({ cellMarginKelvin }) => cellMarginKelvin);
    expect(margins[0]).toBeGreaterThan(margins[1] as number);
    expect(margins[1]).toBeGreaterThan(margins[2] as number);
    for (const { plan } of plans) expect(plan.isReached).toBe(true);
    expect(heatSegments(stack, { celsius: 70, coupling: 45 }, goal, [])).toEqual([]);
  });

  test.each(
    shippedModels.flatMap((model) =>
      model.operations.flatMap((operation) =>
        operation.heat ? [[`${model.name}, ${operation.id}`, model, operation] as const] : [],
      ),
    ),
  )('every step that warms has one: %s', (_name, model, operation) => {
    const out = model.parts.filter(({ id }) => operation.after.some(({ any }) => any.includes(id))).map(({ id }) => id);
    const question = heatQuestion(model, operation, 22, out);
    if (!question) throw new Error('no question');
    const plan = heatPlan(question.stack, question.heater, question.goal);
    expect(plan.isReached).toBe(true);
    expect(plan.readySeconds).toBeGreaterThan(20);
    expect(plan.readySeconds).toBeLessThan(15 * 60);
    expect(plan.peakCellCelsius).toBeLessThanOrEqual(question.goal.limitCelsius - question.goal.marginKelvin);
  });
});

describe('what a step that warms asks', () => {
  const warms = (given: Partial<Operation> = {}): Operation =>
    smallOperation('warm', {
      heat: {
        source: 'hot plate',
        celsius: 80,
        softCelsius: 60,
        layers: [
          { material: 'glass', mm: 0.8 },
          { material: 'adhesive', mm: 0.4 },
          { material: 'plastic', mm: 0.6, part: 'shield' },
          { material: 'air', mm: 0.8 },
          { material: 'cell', mm: 4 },
        ],
      },
      ...given,
    });
  const model = smallModel([warms()], {
    parts: [part('cell', 'battery', { heatLimitCelsius: 58 }), part('tray', 'tray'), part('shield', 'cover')],
  });
  const ask = (out: readonly string[]) => {
    const question = heatQuestion(model, warms(), 22, out);
    if (!question) throw new Error('no question');
    return question;
  };

  test('the limit of the cell holds while it is in, whatever else is out', () => {
    expect(ask([]).goal.limitCelsius).toBe(58);
    expect(ask(['tray']).goal.limitCelsius).toBe(58);
    expect(ask(['tray', 'shield']).goal.limitCelsius).toBe(58);
    expect(ask(['cell']).goal.limitCelsius).toBe(83);
    // A cell whose limit nobody wrote down is bounded all the same, also with the tray out.
    const unwritten = smallModel([warms()], { parts: [part('cell', 'battery'), part('tray', 'tray')] });
    expect(heatQuestion(unwritten, warms(), 22, ['tray'])?.goal.limitCelsius).toBe(60);
    expect(heatQuestion(unwritten, warms(), 22, [])?.goal.limitCelsius).toBe(60);
  });

  test('a layer whose part is out is gone, and so is a cell that is out', () => {
    const names = (out: readonly string[]) => [...new Set(ask(out).stack.layers.map(({ name }) => name))];
    expect(names([])).toEqual(['glass', 'adhesive', 'plastic', 'cell']);
    expect(names(['shield'])).toEqual(['glass', 'adhesive', 'cell']);
    expect(names(['cell'])).toEqual(['glass', 'adhesive', 'plastic']);
  });

  test.each(
    shippedModels.flatMap((model) =>
      model.operations.flatMap((operation) =>
        operation.heat?.layers ? [[`${model.name}, ${operation.id}`, model, operation] as const] : [],
      ),
    ),
  )('cutting every layer once more changes nothing: %s', (_name, model, operation) => {
    const question = heatQuestion(model, operation, 22);
    if (!question || !operation.heat?.layers) throw new Error('no question');
    const { stack, heater, goal } = question;
    const uncut = { ...goal, limitCelsius: 500, toCelsius: 500 };
    const seconds = heatPlan(stack, heater, uncut).readySeconds;
    const eight = operation.heat.layers.map(() => 8);
    const layers = layersOf(operation.heat.layers, eight);
    const fine = {
      ...stack,
      layers,
      adhesive: layers.findLastIndex(({ name }) => name === 'adhesive'),
      adhesiveLayers: 8,
      cell: layers.length - 1,
    };
    const finer = heatPlan(fine, heater, uncut).readySeconds;
    expect(Math.abs(seconds - finer)).toBeLessThanOrEqual(Math.max(3, 0.03 * finer));
    // Few layers are cut, so that the plan is there at once.
    expect(stack.layers.length).toBeLessThanOrEqual(28);
  });

  test('soft through: the far side of the adhesive, against an explicit grid of a hundredth of a millimetre', () => {
    const question = ask(['shield', 'cell']);
    const plan = heatPlan(question.stack, question.heater, { ...question.goal, limitCelsius: 500, toCelsius: 500 });
    expect(Math.abs(plan.readySeconds - explicitSeconds(0.8, 0.4, question.heater, 60))).toBeLessThanOrEqual(2);
    // One node for the whole adhesive is early.
    const coarse = { ...question.stack, layers: layersOf(stackedGlass), adhesive: 1, adhesiveLayers: 1, cell: 1 };
    const early = heatPlan(coarse, question.heater, { ...question.goal, limitCelsius: 500, toCelsius: 500 });
    expect(early.readySeconds).toBeLessThan(plan.readySeconds);
  });
});

const stackedGlass = [
  { material: 'glass', mm: 0.8 },
  { material: 'adhesive', mm: 0.4 },
] as const;

/** Seconds until the far side of the adhesive is soft, by small explicit steps on a fine grid: an independent computation. */
function explicitSeconds(glassMm: number, glueMm: number, { celsius, coupling }: Heater, soft: number): number {
  const dx = 2e-5;
  const nodes = [
    ...Array.from({ length: Math.round(glassMm / 1000 / dx) }, () => ({ capacity: 2.0e6, through: 1.0 })),
    ...Array.from({ length: Math.round(glueMm / 1000 / dx) }, () => ({ capacity: 1.9e6, through: 0.18 })),
  ];
  let now = nodes.map(() => 22);
  const dt = (0.2 * dx * dx * 1.9e6) / 1.0;
  for (let step = 1; step * dt < 3600; step += 1) {
    const flow = nodes.map((node, at) => {
      const next = nodes[at + 1];
      if (!next) return 11 * ((now[at] as number) - 22);
      return ((now[at] as number) - (now[at + 1] as number)) / (dx / 2 / node.through + dx / 2 / next.through);
    });
    now = now.map((value, at) => {
      const enters = at === 0 ? coupling * (celsius - value) + 5 * (22 - value) : (flow[at - 1] as number);
      return value + ((enters - (flow[at] as number)) * dt) / ((nodes[at] as { capacity: number }).capacity * dx);
    });
    if ((now.at(-1) as number) >= soft) return step * dt;
  }
  return Infinity;
}

describe('the coupling, from what a probe reads', () => {
  test('is found again, also through noise', () => {
    fc.assert(
      fc.property(
        stacks,
        between(0.3, 3),
        fc.array(between(-0.3, 0.3), { minLength: 12, maxLength: 12 }),
        (drawn, truth, noise) => {
          const stack = stackFrom(drawn);
          const guessed = { celsius: 80, coupling: 40 };
          const step = networkStep(stack, { celsius: 80, coupling: 40 * truth }, 10);
          let now: Temperatures = atRest(stack);
          const readings = noise.map((error, at) => {
            now = step(now);
            return { seconds: (at + 1) * 10, celsius: (now[0] as number) + error };
          });
          const fit = fitCoupling(stack, guessed, [...readings].reverse());
          expect(Math.abs((fit?.heater.coupling as number) / (40 * truth) - 1)).toBeLessThan(0.12);
          expect(fit?.rmsKelvin).toBeLessThan(0.31);
        },
      ),
      { numRuns: 25 },
    );
  });

  test('is found again when the heater went off and on meanwhile', () => {
    fc.assert(
      fc.property(stacks, between(0.4, 2.5), between(25, 60), between(5, 60), (drawn, truth, off, on) => {
        const stack = stackFrom(drawn);
        const heater = { celsius: 80, coupling: 40 };
        const real = { celsius: 80, coupling: 40 * truth };
        const switches = [
          { seconds: off, isOn: false },
          { seconds: off + on, isOn: true },
        ];
        const readings = Array.from({ length: 20 }, (_, at) => ({
          seconds: (at + 1) * 8,
          celsius: temperaturesAt(stack, real, switches, (at + 1) * 8)[0] as number,
        }));
        const fit = fitCoupling(stack, heater, readings, undefined, switches);
        expect(Math.abs((fit?.heater.coupling as number) / real.coupling - 1)).toBeLessThan(0.01);
        // The same by hand: on, off, on.
        const byHand = networkStep(
          stack,
          real,
          160 - off - on,
        )(networkStep(stack, null, on)(networkStep(stack, real, off)(atRest(stack))));
        (fit?.now as Temperatures).forEach((value, layer) =>
          expect(Math.abs(value - (byHand[layer] as number))).toBeLessThan(0.3),
        );
      }),
      { numRuns: 25 },
    );
  });

  test.each([
    [[]],
    [[{ seconds: 10, celsius: 30 }]],
    [
      [
        { seconds: 0, celsius: 22 },
        { seconds: 5, celsius: Number.NaN },
      ],
    ],
  ])('nothing is fitted from %o', (readings) => {
    const stack = stackFrom({ cover: 2600, adhesive: 1100, cell: 9500, through: 420, gap: 22, loss: 9, ambient: 22 });
    expect(fitCoupling(stack, { celsius: 70, coupling: 40 }, readings)).toBeNull();
  });
});
