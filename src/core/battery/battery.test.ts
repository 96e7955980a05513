import fc from 'fast-check';
import { Chance } from '@/core/shared/chance';
import { readDischarge } from './dischargeLog';
import type { Sample } from './sample';
import { fuse, healthOf } from './health';
import { readLogTable } from './logTable';
import { balanceOf, cellsInSeries, labelFits } from './pack';
import { conditionedAt, conditioningOf, minutesOf, stepAt, usualRates } from './conditioning';

interface Truth {
  readonly ampHours: number;
  readonly milliOhm: number;
  readonly ampere: number;
  readonly cutOffVolt: number;
}

/** Open-circuit voltage of a cell by what was taken out of it, 0 to 1: steep, flat, then a knee. */
const openVolt = (out: number): number => 4.2 - 0.75 * out - 0.6 * Math.max(0, out - 0.9) * 10 * (out - 0.9) * 10;

/** A cell of known charge and resistance, run down by an analyser that logs when it likes. */
function runDown(truth: Truth, chance: Chance, { noise = 0, step = 0 } = {}): { samples: Sample[]; ampHours: number } {
  const samples: Sample[] = [];
  let [s, out] = [0, 0];
  let counted = 0;
  let before = truth.ampere;
  for (let at = 0; ; at += 1) {
    const isStep = step > 0 && at % step === step - 1;
    const ampere = isStep ? truth.ampere / 2 : truth.ampere;
    const volt = openVolt(out) - (ampere * truth.milliOhm) / 1000;
    samples.push({ s, volt: volt + noise * (chance.next() - 0.5), ampere });
    if (volt <= truth.cutOffVolt && !isStep) break;
    const seconds = isStep || (step > 0 && at % step === step - 2) ? 1 : 2 + 6 * chance.next();
    // What truly flows between two samples is what a straight line between them says: it is the log's own truth.
    const next = step > 0 && (at + 1) % step === step - 1 ? truth.ampere / 2 : truth.ampere;
    const charge = (((ampere + next) / 2) * seconds) / 3600;
    out += charge / truth.ampHours;
    counted += charge;
    s += seconds;
    before = ampere;
    if (at > 100_000) throw new Error(`it never ends at ${before}`);
  }
  return { samples, ampHours: counted };
}

const truth: Truth = { ampHours: 3.2, milliOhm: 110, ampere: 1.6, cutOffVolt: 3.1 };
const limits = { cutOffVolt: truth.cutOffVolt, ratedAmpHours: 3.9 };
const read = (samples: readonly Sample[], given = limits) => {
  const outcome = readDischarge(samples, given);
  if (!outcome.ok) throw new Error(outcome.refusal.reason);
  return outcome.value;
};
const reason = (samples: readonly Sample[], given = limits) => {
  const outcome = readDischarge(samples, given);
  return outcome.ok ? 'ok' : outcome.refusal.reason;
};

describe('readDischarge: a cell of known charge', () => {
  test('irregular samples, either sign: the charge is the truth within its interval, and the sign does not matter', () => {
    for (let seed = 1; seed <= 12; seed += 1) {
      const { samples, ampHours } = runDown(truth, new Chance(seed), { noise: 0.002 });
      const plus = read(samples);
      const minus = read(samples.map((sample) => ({ ...sample, ampere: -sample.ampere })));
      expect(Math.abs(plus.ampHours - ampHours)).toBeLessThan(plus.plusMinusAmpHours);
      expect([minus.ampHours, minus.wattHours, minus.sign]).toEqual([plus.ampHours, plus.wattHours, -1]);
      expect([plus.isWhole, plus.gaps, plus.resets]).toEqual([true, [], 0]);
      expect(plus.wattHours / plus.ampHours).toBeGreaterThan(3.1);
      expect(plus.wattHours / plus.ampHours).toBeLessThan(4.2);
    }
  });

  test('a finer or coarser log of the same gives the same charge', () => {
    const { samples } = runDown(truth, new Chance(3));
    const coarse = samples.filter((_, at) => at % 3 === 0 || at >= samples.length - 2);
    expect(read(coarse).ampHours).toBeCloseTo(read(samples).ampHours, 6);
  });

  test('the resistance comes from steps of the current', () => {
    const { samples } = runDown(truth, new Chance(5), { noise: 0.001, step: 60 });
    const { resistance } = read(samples);
    expect(resistance?.steps).toBeGreaterThan(10);
    // A step is read within a second, in which the cell itself hardly falls.
    expect(Math.abs((resistance?.milliOhm ?? 0) - truth.milliOhm)).toBeLessThan(3);
    expect(read(runDown(truth, new Chance(5)).samples).resistance).toBeNull();
  });

  test('a gap is named, bridged, and widens the interval', () => {
    const { samples, ampHours } = runDown(truth, new Chance(4));
    const from = samples.findIndex(({ s }) => s > 1800);
    const without = samples.filter(({ s }, at) => at <= from || s > (samples[from] as Sample).s + 240);
    const { gaps, ...gapped } = read(without);
    expect(gaps).toHaveLength(1);
    expect(gaps[0]?.seconds).toBeGreaterThan(239);
    expect(gapped.ampHours).toBeCloseTo(ampHours, 2);
    expect(gapped.plusMinusAmpHours).toBeGreaterThan(read(samples).plusMinusAmpHours);
  });

  test('a clock that begins anew goes on; one that runs backwards is refused with its line', () => {
    const { samples } = runDown(truth, new Chance(6));
    const half = Math.floor(samples.length / 2);
    const restarted = samples.map((sample, at) =>
      at < half ? sample : { ...sample, s: sample.s - (samples[half] as Sample).s },
    );
    expect(read(restarted).resets).toBe(1);
    expect(Math.abs(read(restarted).ampHours - read(samples).ampHours)).toBeLessThan(0.01);
    const shuffled = [...samples];
    [shuffled[half], shuffled[half + 1]] = [samples[half + 1] as Sample, samples[half] as Sample];
    expect(readDischarge(shuffled, limits)).toMatchObject({
      refusal: { reason: 'log-backwards', values: { line: half + 2 } },
    });
  });

  test('the charge before it and the rest after it are not counted', () => {
    const { samples, ampHours } = runDown(truth, new Chance(8));
    const charge = Array.from({ length: 200 }, (_, at) => ({ s: at * 10, volt: 3.6 + at * 0.003, ampere: -1.2 }));
    const rest = Array.from({ length: 100 }, (_, at) => ({ s: at * 10, volt: 3.6, ampere: 0 }));
    const at = (rows: readonly Sample[], offset: number) => rows.map((row) => ({ ...row, s: row.s + offset }));
    const whole = [...charge, ...at(samples, 2100), ...at(rest, 2200 + (samples.at(-1)?.s ?? 0))];
    expect(read(whole).ampHours).toBeCloseTo(ampHours, 2);
    expect(reason(charge)).toBe('log-charging');
    expect(reason(rest)).toBe('discharge-empty');
  });

  test('a log that ends early says so, and counts no more than flowed', () => {
    const { samples } = runDown(truth, new Chance(9));
    const cut = samples.slice(0, Math.floor(samples.length * 0.7));
    const early = read(cut);
    expect(early.isWhole).toBe(false);
    expect(early.ampHours).toBeLessThan(read(samples).ampHours);
  });

  test('milliunits that nobody named cannot be this cell’s', () => {
    const { samples } = runDown(truth, new Chance(9));
    expect(reason(samples.map((sample) => ({ ...sample, ampere: sample.ampere * 1000 })))).toBe('log-units');
    expect(reason(samples.map((sample) => ({ ...sample, volt: sample.volt * 1000 })))).toBe('log-units');
    expect(reason(samples.slice(0, 5))).toBe('discharge-empty');
  });
});

describe('readLogTable', () => {
  const rows = (line: (sample: Sample) => readonly string[], head: readonly string[]) => {
    const { samples } = runDown(truth, new Chance(2));
    return [head, ...samples.map(line)];
  };
  const table = (given: readonly (readonly string[])[], isComma = true) => {
    const outcome = readLogTable(given, 3.9, isComma);
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.refusal));
    return outcome.value;
  };
  const { samples } = runDown(truth, new Chance(2));

  test.each([
    ['seconds', ['Time (s)', 'Voltage (V)', 'Current (A)'], (x: Sample) => [`${x.s}`, `${x.volt}`, `${x.ampere}`]],
    [
      'milliunits by their headings',
      ['t', 'U_mV', 'I_mA'],
      (x: Sample) => [`${x.s}`, `${x.volt * 1000}`, `${x.ampere * 1000}`],
    ],
    [
      'milliunits without',
      ['time', 'voltage', 'current'],
      (x: Sample) => [`${x.s}`, `${x.volt * 1000}`, `${x.ampere * 100000}`],
    ],
    ['minutes', ['Elapsed min', 'Volt', 'Ampere'], (x: Sample) => [`${x.s / 60}`, `${x.volt}`, `${x.ampere}`]],
    [
      'commas as decimals',
      ['Zeit', 'Spannung', 'Strom'],
      (x: Sample) => [x.s, x.volt, x.ampere].map((value) => String(value).replace('.', ',')),
    ],
    [
      'a date',
      ['timestamp', 'battery voltage', 'battery current'],
      (x: Sample) => [new Date(1.8e12 + x.s * 1000).toISOString(), `${x.volt}`, `${x.ampere}`],
    ],
  ])('%s', (name, head, line) => {
    const read = table(rows(line, head));
    expect(read.samples).toHaveLength(samples.length);
    const last = read.samples.at(-1) as Sample;
    expect(Math.abs(last.s - (samples.at(-1)?.s ?? 0))).toBeLessThan(0.01);
    expect(last.volt).toBeCloseTo(samples.at(-1)?.volt ?? 0, 6);
    if (name === 'milliunits without') expect(read.assumed).toEqual(['mV', 'mA']);
    else expect(last.ampere).toBeCloseTo(truth.ampere, 6);
  });

  test('a last line that broke off is left out and said; one in the middle is refused with its line', () => {
    const given = rows((x) => [`${x.s}`, `${x.volt}`, `${x.ampere}`], ['time', 'voltage', 'current']);
    const cut = table([...given.slice(0, -1), ['123']]);
    expect([cut.isCutOff, cut.samples.length]).toEqual([true, samples.length - 1]);
    const broken = given.map((row, at) => (at === 9 ? ['8', 'x', '1'] : row));
    expect(readLogTable(broken, 3.9, true)).toMatchObject({ refusal: { reason: 'log-line', values: { line: 10 } } });
    expect(readLogTable([['a', 'b']], 3.9, true)).toMatchObject({ refusal: { reason: 'log-columns' } });
  });
});

describe('health', () => {
  const discharge = read(runDown(truth, new Chance(2)).samples);

  test('is the charge against the label; a cold cell is put right, half of which stays open', () => {
    const warm = healthOf(discharge, 3.9);
    expect(warm.capacityShare.value).toBeCloseTo((100 * discharge.ampHours) / 3.9, 9);
    const cold = healthOf({ ...discharge, meanCelsius: 15 }, 3.9);
    expect(cold.ampHours.value).toBeCloseTo(discharge.ampHours / 0.94, 9);
    expect(cold.capacityShare.plusMinus).toBeGreaterThan(warm.capacityShare.plusMinus);
    expect(healthOf({ ...discharge, meanCelsius: 32 }, 3.9).ampHours.value).toBe(discharge.ampHours);
  });

  test('two readings as one: between them, nearer to the surer, and never less sure than either', () => {
    const figure = fc.record({
      value: fc.double({ min: 50, max: 105, noNaN: true }),
      plusMinus: fc.double({ min: 0.3, max: 6, noNaN: true }),
    });
    fc.assert(
      fc.property(figure, fc.integer({ min: 50, max: 100 }), (analyser, own) => {
        const fused = fuse(analyser, own, { over: [] });
        expect(fused.value).toBeGreaterThanOrEqual(Math.min(analyser.value, own) - 1e-9);
        expect(fused.value).toBeLessThanOrEqual(Math.max(analyser.value, own) + 1e-9);
        expect(fused.plusMinus).toBeLessThanOrEqual(analyser.plusMinus);
        expect(fused.analyserWeight).toBeGreaterThan(0.5);
      }),
      { seed: 18 },
    );
  });

  test('a gauge that is known to read high is put right first', () => {
    const over = [4, 5, 3, 4.5, 3.5, 4];
    const fused = fuse({ value: 81, plusMinus: 1 }, 85, { over });
    expect(fused.gauge.value).toBe(81);
    expect([fused.disagree, fuse({ value: 81, plusMinus: 1 }, 95, { over }).disagree]).toEqual([false, true]);
  });
});

describe('a pack', () => {
  test('its cells are told by its wires, unless its label says otherwise', () => {
    expect(cellsInSeries(4, 11.4)).toEqual({ ok: true, value: 3 });
    expect(cellsInSeries(null, 3.87)).toEqual({ ok: true, value: 1 });
    expect(cellsInSeries(5, 11.4)).toMatchObject({ refusal: { reason: 'pack-wires', values: { cells: 3 } } });
    expect(cellsInSeries(1, 3.7)).toMatchObject({ refusal: { reason: 'pack-wires' } });
  });

  test('its imbalance is the greatest less the least, and names the cell that is off', () => {
    const balance = balanceOf([3.9, 7.8, 11.62]);
    expect(balance).toMatchObject({ ok: true, value: { cell: 3 } });
    expect(balance.ok && balance.value.milliVolt).toBeCloseTo(80, 6);
    expect(balanceOf([3.9, 3.8])).toMatchObject({ refusal: { reason: 'log-backwards' } });
  });

  const label = { type: 'LX 5-39', ratedAmpHours: 3.9, ratedVolt: 3.87, limitVolt: 4.45 };
  const slot = { type: 'LX5-39', ratedAmpHours: 3.9, ratedVolt: 3.87, limitVolt: 4.45 };
  test.each([
    [label, 'ok'],
    [{ ...label, type: 'LX6-39' }, 'label-type'],
    [{ ...label, limitVolt: 4.35 }, 'label-limit'],
    [{ ...label, ratedVolt: 7.74 }, 'label-volt'],
    [{ ...label, ratedAmpHours: 3.1 }, 'label-rating'],
    // A cell that could be charged further is no danger.
    [{ ...label, limitVolt: 4.48 }, 'ok'],
  ])('%j in its place: %s', (read, says) => {
    const fits = labelFits(read, slot);
    expect(fits.ok ? 'ok' : fits.refusal.reason).toBe(says);
  });
});

describe('conditioning', () => {
  test('at every moment it stands in the step that plain adding up says, and in none once all are over', () => {
    const steps = conditioningOf({ ratedAmpHours: 4 }, 0.9, 0.3);
    const conditioning = { beganAt: '2026-11-29T09:00:00.000Z', steps };
    const began = Date.parse(conditioning.beganAt);
    expect(conditionedAt(conditioning)).toBe(began + minutesOf(steps) * 60_000);
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1.2, noNaN: true }), (share) => {
        const minute = share * minutesOf(steps);
        let left = minute;
        const at = steps.findIndex((step) => (left -= step.minutes) < 0);
        const found = stepAt(conditioning, began + minute * 60_000);
        if (at < 0) return expect(found).toBeNull();
        expect(found).toMatchObject({ at, step: steps[at] });
        return expect(((found?.endsAt ?? 0) - began) / 60_000 - minute).toBeCloseTo(-left, 6);
      }),
      { seed: 29 },
    );
  });

  test('what it charges and runs down is the charge of the cell, whatever was in it', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 1.05, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (health, filled) => {
          const steps = conditioningOf({ ratedAmpHours: 4 }, health, filled);
          const hours = (does: string) =>
            steps.filter((step) => step.does === does).reduce((sum, step) => sum + step.minutes / 60, 0);
          const runDownAmpHours = hours('run-down') * usualRates.runDownC * 4;
          expect(runDownAmpHours).toBeCloseTo(4 * health, 9);
          // The hold's current falls from its beginning to its end as e to the minus t over what is missing by the current.
          const ends = usualRates.holdEndC / usualRates.chargeC;
          const hold = steps.find(({ does }) => does === 'hold');
          const missing = 4 * health * (1 - Math.max(0.85, Math.min(1, filled)));
          if (hold) expect(hold.minutes / 60).toBeCloseTo((-Math.log(ends) * missing) / hold.ampere, 9);
          expect(steps.at(-1)?.does).toBe('charge-to-store');
        },
      ),
      { seed: 18 },
    );
  });
});
