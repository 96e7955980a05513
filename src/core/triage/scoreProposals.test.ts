import { TestBench } from '../../../tests/support/bench';
import { handset, phone } from '../../../tests/support/models';
import type { Part, Unit } from '@/core/entities/entities';
import type { Weighed } from '@/core/entities/entities';
import { startingHouseRules as rules } from '@/core/shared/houseRules';
import { actualMoney, type Ended } from './actualMoney';
import { scoreProposals, type Decision } from './scoreProposals';

const weighed = (disposition: Weighed['disposition'], cents: number): Weighed => ({
  disposition,
  cents,
  lowCents: cents - 500,
  highCents: cents + 500,
});
const decision = (given: Partial<Decision>): Decision => ({
  tag: 'U-0001',
  name: 'Lantern 5',
  marks: [],
  faults: [],
  proposed: 'build',
  chosen: 'build',
  weighed: [weighed('build', 5000), weighed('donor', 3000)],
  actualCents: null,
  ...given,
});

describe('scoreProposals', () => {
  test('counts what was followed, what held, and who was right by how much', () => {
    const score = scoreProposals([
      decision({ actualCents: 5400 }),
      decision({ actualCents: 4000 }),
      decision({}),
      // Overruled: the donor brought more than the build was expected to leave, then less.
      decision({ chosen: 'donor', actualCents: 6100 }),
      decision({ chosen: 'donor', actualCents: 2900 }),
      decision({ chosen: 'donor', weighed: [], actualCents: 9999 }),
    ]);
    expect([score.decided, score.followed, score.judged.length, score.held]).toEqual([6, 3, 4, 2]);
    expect(score.overruled).toEqual({ judged: 2, personRight: 1, gainCents: 1100 - 2100 });
    expect(score.meanErrorCents).toBe(Math.round((400 - 1000 + 3100 - 100) / 4));
    expect(score.judged[0]?.byCents).toBe(-2100);
  });

  test('nothing judged is no score, not a good one', () => {
    expect(scoreProposals([])).toMatchObject({ decided: 0, held: 0, meanErrorCents: 0, judged: [] });
  });
});

describe('actualMoney', () => {
  function donor(): { bench: TestBench; ended: (given?: Partial<Unit>, grade?: Part['grade']) => Ended } {
    const bench = new TestBench();
    bench.decided(handset, 'donor');
    bench.act('sheet-started', 'u', { kind: 'teardown', targets: ['battery', 'keypad'], keeping: 'tray' });
    bench.finishSheet(handset);
    return {
      bench,
      ended: (given = {}, grade = 'B') => ({
        unit: { ...bench.unit(), ...given },
        model: handset,
        freed: bench.parts().map((part) => ({ ...part, grade })),
        fitted: [],
        seconds: 600,
      }),
    };
  }

  test('a donor brought its parts at their grades less the minutes at the bench; ungraded it is not known', () => {
    const { bench, ended } = donor();
    const worth = bench
      .parts()
      .reduce((sum, { partRef }) => sum + (handset.parts.find(({ id }) => id === partRef)?.valueCents?.B ?? 0), 0);
    expect(worth).toBeGreaterThan(0);
    expect(actualMoney(ended(), {}, rules)).toBe(worth - 10 * rules.labourCentsPerMinute);
    expect(actualMoney(ended({}, 'X'), {}, rules)).toBe(-10 * rules.labourCentsPerMinute);
    expect(actualMoney(ended({}, null), {}, rules)).toBeNull();
    expect(actualMoney(ended({ stage: 'teardown' }), {}, rules)).toBeNull();
  });

  test('a build brought its price less what went into it and the minutes; before its release it is not known', () => {
    const { bench } = donor();
    const part = { ...(bench.parts()[0] as Part), id: 'p', grade: 'B' } as Part;
    const unit = {
      ...bench.unit(),
      disposition: 'build',
      variant: null,
      sheet: null,
      stage: 'sent',
      saleGrade: 'B',
      fitted: { battery: 'p' },
    } as const;
    const ended = { unit, model: phone, freed: [], fitted: [part], seconds: 60 };
    const battery = phone.parts.find(({ id }) => id === 'battery')?.valueCents?.B ?? 0;
    expect(actualMoney(ended, {}, rules)).toBe(phone.priceCents.B - battery - rules.labourCentsPerMinute);
    expect(actualMoney({ ...ended, unit: { ...unit, stage: 'prove' } }, {}, rules)).toBeNull();
    expect(actualMoney({ ...ended, unit: { ...unit, disposition: 'as-is' } }, {}, rules)).toBe(
      Math.round(phone.priceCents.B * rules.asIsShare),
    );
    expect(actualMoney({ ...ended, unit: { ...unit, disposition: 'quarantine' } }, {}, rules)).toBeNull();
  });
});
