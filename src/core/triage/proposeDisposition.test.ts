import { say } from '@/words/catalogue/core/triage';
import { knowsNothing as nothing } from '../../../tests/support/knowsNothing';
import { inManyParcels } from '../../../tests/support/manyParcels';
import { phone, shippedModels } from '../../../tests/support/models';
import { startingHouseRules } from '@/core/shared/houseRules';
import type { Finding } from '@/core/procedure/vocabulary';
import type { Knowledge } from './knowledge';
import { knownParts, knownTests } from './knownYields';
import { proposeDisposition } from './proposeDisposition';

const tests = { starts: 'sound', picture: 'fault' } as const;
const unit = { revision: 'a', configuration: 'standard', variant: 'grey-64', marks: [], tests };
const stocked: Knowledge = { ...nothing, shelf: { 'lantern-5-display': { grade: 'B', count: 1 } } };
const propose = (given: object = {}, known = nothing) =>
  proposeDisposition(phone, { ...unit, ...given }, known, startingHouseRules);
const value = (given: object = {}, known = nothing) => propose(given, known).valued;
const of = (valued: ReturnType<typeof value>, disposition: string) =>
  valued.find((entry) => entry.disposition === disposition);
const mark = (kind: Finding) => ({ kind, face: 'back', field: 5 });
const allParts = phone.parts.map(({ id }) => id);

const said = (entry: { readonly because: Parameters<typeof say>[0] } | undefined): string =>
  entry ? say(entry.because) : '';

describe('proposeDisposition', () => {
  test('values every choice, best first', () => {
    const valued = value();
    expect(valued.map(({ disposition }) => disposition).sort()).toEqual([
      'as-is',
      'build',
      'donor',
      'quarantine',
      'recycle',
    ]);
    const money = valued
      .filter(({ isPossible, disposition }) => isPossible && disposition !== 'quarantine')
      .map(({ cents }) => cents);
    expect(money).toEqual([...money].sort((a, b) => b - a));
    for (const { lowCents, cents, highCents } of valued) {
      expect(lowCents).toBeLessThanOrEqual(highCents);
      expect(Number.isInteger(cents)).toBe(true);
    }
  });

  test('the arithmetic of every choice adds up to its money', () => {
    for (const model of shippedModels) {
      const subject = {
        revision: model.revisions[0]?.id ?? null,
        configuration: model.configurations[0]?.id ?? null,
        variant: model.variants[0]?.id ?? null,
        marks: [],
        tests: { starts: 'sound' as const },
      };
      for (const rules of [
        startingHouseRules,
        { ...startingHouseRules, selling: { feeShare: 0.12, perUnitCents: 450 } },
      ]) {
        for (const { cents, figures } of proposeDisposition(model, subject, nothing, rules).valued) {
          if (figures.length === 0) continue;
          const sum = figures.reduce((total, figure) => total + figure.cents, 0);
          expect(Math.abs(sum - cents)).toBeLessThanOrEqual(figures.length);
        }
      }
    }
  });

  test('what selling costs is taken off what is sold, by plain arithmetic, and off nothing else', () => {
    const sound = { tests: Object.fromEntries(phone.tests.map((test) => [test, 'sound'])) };
    const by = (selling: { feeShare: number; perUnitCents: number }) => {
      const { valued } = proposeDisposition(phone, { ...unit, ...sound }, stocked, { ...startingHouseRules, selling });
      return Object.fromEntries(valued.map((entry) => [entry.disposition, entry]));
    };
    const [free, dear] = [by({ feeShare: 0, perUnitCents: 0 }), by({ feeShare: 0.1, perUnitCents: 300 })];
    const { better, worse } = startingHouseRules.saleGradeShift;
    const priced = ['A', 'B', 'C', 'D'] as const;
    const at = priced.indexOf(free.build?.because.values.sellsAt as 'B');
    const of = (place: number) => phone.priceCents[priced[Math.min(Math.max(place, 0), 3)] as 'A'];
    const mean = Math.round(better * of(at - 1) + (1 - better - worse) * of(at) + worse * of(at + 1));
    const off = (disposition: string) => (free[disposition]?.cents ?? 0) - (dear[disposition]?.cents ?? 0);
    expect(off('build')).toBe(Math.round(mean * 0.1) + 300);
    expect(off('as-is')).toBe(Math.round(phone.priceCents.D * startingHouseRules.asIsShare * 0.1) + 300);
    expect([off('donor'), off('recycle')]).toEqual([0, 0]);
    expect(dear.build?.highCents).toBeLessThan(free.build?.highCents ?? 0);
  });

  test('the sentence names the part that is wanted and whether the shelf has it', () => {
    expect(said(of(value(), 'build'))).toContain('no display is on the shelf yet');
    expect(said(of(value({}, stocked), 'build'))).toContain('Needs display, on the shelf. Sells at B for €178.00');
  });

  test('what was not tested lowers the certainty of a build, and a test that is sound raises it again', () => {
    const all = Object.fromEntries(phone.tests.map((test) => [test, 'sound']));
    const tested = of(value({ tests: { ...all, picture: 'fault' } }, stocked), 'build');
    const skipped = of(value({ tests: { ...all, picture: 'fault', radios: 'not-tested' } }, stocked), 'build');
    expect(said(skipped)).toContain('chance it passes');
    expect(said(tested)).not.toContain('chance');
    expect(skipped?.cents).toBeLessThan(tested?.cents ?? 0);
    const width = (entry: typeof tested) => (entry?.highCents ?? 0) - (entry?.lowCents ?? 0);
    expect(width(skipped)).toBeGreaterThan(width(tested));
    // What a new part answers needs no test of the old one.
    const known = { ...stocked, tests: knownTests([{ test: 'sound', parcelId: 'p', good: 1, sought: 30 }], Infinity) };
    expect(of(value({}, known), 'build')?.cents).toBeLessThan(of(value({}, stocked), 'build')?.cents ?? 0);
  });

  test('a test that was never noted on any unit passes with 85 %, each on its own; a known one with what is known', () => {
    const all = Object.fromEntries(phone.tests.map((test) => [test, 'sound']));
    const holds = (open: readonly string[], known = stocked) => {
      const tests = { ...all, picture: 'fault', ...Object.fromEntries(open.map((test) => [test, 'not-tested'])) };
      const because = of(value({ tests }, known), 'build')?.because;
      return typeof because === 'object' ? because.values.holds : undefined;
    };
    expect(holds([])).toBe(1);
    expect(holds(['radios'])).toBeCloseTo(0.85, 12);
    expect(holds(['radios', 'sound'])).toBeCloseTo(0.85 ** 2, 12);
    const tests = knownTests([{ test: 'radios', parcelId: 'p', good: 10, sought: 40 }], Infinity);
    expect(holds(['radios'], { ...stocked, tests })).toBeCloseTo(tests.radios?.share ?? NaN, 12);
  });

  test('worse yields make a donor worth less, and widen nothing that is well known', () => {
    const counts = (good: number, sought: number) =>
      knownParts(inManyParcels(allParts.map((partRef) => ({ modelId: phone.id, partRef, good, sought }))), []).yields[
        phone.id
      ] ?? {};
    const [bad, good] = [
      of(value({}, { ...nothing, yields: counts(1, 20) }), 'donor'),
      of(value({}, { ...nothing, yields: counts(19, 20) }), 'donor'),
    ];
    expect(bad?.cents).toBeLessThan(good?.cents ?? 0);
  });

  test('a crack counts by what units with a crack gave, where that is known', () => {
    // Twenty without a crack, of which eighteen were good, and twelve with one, of which none was.
    const cover = { modelId: phone.id, partRef: 'back-cover' };
    const cracks = [{ ...cover, parcelId: 'cracks', good: 0, sought: 12, finding: 'crack' as const }];
    const wholes = inManyParcels([{ ...cover, good: 18, sought: 20 }]);
    const { yields } = knownParts(wholes, []);
    const { yieldsGiven } = knownParts([...wholes, ...cracks], cracks);
    const known = { ...nothing, yields: yields[phone.id] ?? {}, yieldsGiven: yieldsGiven[phone.id] ?? {} };
    const whole = of(value({}, known), 'donor');
    const cracked = of(value({ marks: [mark('crack')] }, known), 'donor');
    const share = (entry: typeof whole) =>
      Number(entry?.figures.find(({ says }) => says.values.name === 'back cover')?.says.values.chance ?? 0);
    expect(share(whole)).toBeGreaterThan(0.8);
    expect(share(cracked)).toBeLessThan(0.4);
  });

  test('a part that a build waits for is worth more than the shelf would pay, and the sentence says who waits', () => {
    const lacking = { 'lantern-5-board': { units: 1, cents: 9000, tag: 'U-0041' } };
    const wanted = of(value({}, { ...nothing, lacking }), 'donor');
    expect(wanted?.cents).toBeGreaterThan(of(value(), 'donor')?.cents ?? 0);
    expect(said(wanted)).toContain('U-0041 is waiting for the board.');
  });

  test('the tenth part of a kind is worth less than the first', () => {
    const market = Object.fromEntries(
      phone.parts.map(({ interchange }) => [interchange, { stock: 30, usedPerMonth: 2 }]),
    );
    expect(of(value({}, { ...nothing, market }), 'donor')?.cents).toBeLessThan(of(value(), 'donor')?.cents ?? 0);
  });

  test('moving one yield over the share that is shown turns the proposal, and back', () => {
    let turned = 0;
    for (const model of shippedModels) {
      for (const good of [4, 12, 19]) {
        const counts = model.parts.map(({ id }) => ({ modelId: model.id, partRef: id, good, sought: 20 }));
        const known = { ...nothing, yields: knownParts(inManyParcels(counts), []).yields[model.id] ?? {} };
        const subject = {
          revision: model.revisions[0]?.id ?? null,
          configuration: model.configurations[0]?.id ?? null,
          variant: model.variants[0]?.id ?? null,
          marks: [],
          tests: { starts: 'fault' as const },
        };
        const { valued, turn } = proposeDisposition(model, subject, known, startingHouseRules);
        if (!turn) continue;
        const firstAt = (share: number) => {
          const yields = { ...known.yields, [turn.part]: { share, low: share, high: share } };
          return proposeDisposition(model, subject, { ...known, yields }, startingHouseRules).valued[0]?.disposition;
        };
        const step = turn.turnsAt > turn.share ? 0.002 : -0.002;
        expect(firstAt(turn.turnsAt - step)).toBe(valued[0]?.disposition);
        expect(firstAt(turn.turnsAt + step)).toBe(turn.to);
        turned += 1;
      }
    }
    expect(turned).toBeGreaterThan(3);
  });

  test.each<[Finding[], object]>([
    [['swelling'], tests],
    [[], { ...tests, 'account-lock': 'fault' }],
  ])('%j, %j comes before any money', (kinds, given) => {
    const { valued, turn } = propose({ marks: kinds.map(mark), tests: given });
    expect(valued[0]?.disposition).toBe('quarantine');
    expect(turn).toBeNull();
  });

  test('what was reported lost is a question of ownership', () => {
    const [first] = value({ isReportedLost: true });
    expect([first?.disposition, said(first)]).toEqual([
      'quarantine',
      'Its serial was reported lost: find the owner first.',
    ]);
  });

  test('what does not start cannot be wiped, so it cannot be sold as it is', () => {
    expect(of(value({ tests: { starts: 'fault' } }), 'as-is')?.isPossible).toBe(false);
  });
});
