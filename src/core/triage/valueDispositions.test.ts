import { phone } from '../../../tests/support/models';
import { startingHouseRules } from '@/core/shared/houseRules';
import type { Finding } from '@/core/procedure/vocabulary';
import { knownYields, unseenYield } from './knownYields';
import { valueDispositions, type Knowledge } from './valueDispositions';

const tests = { starts: 'sound', picture: 'fault' } as const;
const unit = { revision: 'a', configuration: 'standard', variant: 'grey-64', marks: [], tests };
const nothing: Knowledge = { shelf: {}, yields: {}, unseen: unseenYield };
const value = (given: object = {}, known = nothing) =>
  valueDispositions(phone, { ...unit, ...given }, known, startingHouseRules);
const of = (valued: ReturnType<typeof value>, disposition: string) =>
  valued.find((entry) => entry.disposition === disposition);

describe('valueDispositions', () => {
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
    for (const { lowCents, cents, highCents } of valued) expect(lowCents <= cents && cents <= highCents).toBe(true);
  });

  test('the sentence names the part that is wanted and whether the shelf has it', () => {
    expect(of(value(), 'build')?.because).toContain('no display on the shelf yet');
    const stocked: Knowledge = {
      shelf: { 'lantern-5-display': { grade: 'B', count: 1 } },
      yields: {},
      unseen: unseenYield,
    };
    expect(of(value({}, stocked), 'build')?.because).toContain('Needs display, on the shelf. Sells at B for 178.00.');
  });

  test('worse yields make a donor worth less', () => {
    const parts = ['battery', 'board', 'camera', 'speaker', 'port-board', 'back-cover', 'motor'];
    const counts = parts.map((partRef) => ({ modelId: phone.id, partRef, good: 1, sought: 20 }));
    const bad: Knowledge = { shelf: {}, yields: knownYields(counts)[phone.id] ?? {}, unseen: unseenYield };
    expect(of(value({}, bad), 'donor')?.cents).toBeLessThan(of(value(), 'donor')?.cents ?? 0);
  });

  test.each<[Finding[], object]>([
    [['swelling'], tests],
    [[], { ...tests, 'account-lock': 'fault' }],
  ])('%j, %j comes before any money', (kinds, given) => {
    const [first] = value({ marks: kinds.map((kind) => ({ kind, face: 'back', field: 5 })), tests: given });
    expect(first?.disposition).toBe('quarantine');
  });

  test('what does not start cannot be wiped, so it cannot be sold as it is', () => {
    expect(of(value({ tests: { starts: 'fault' } }), 'as-is')?.isPossible).toBe(false);
  });
});
