import { startingHouseRules, type HouseRules } from '@/core/shared/houseRules';
import {
  readRule,
  ruleChanges,
  ruleFields,
  ruleSections,
  ruleValue,
  withRule,
  type RuleId,
  type RuleValue,
} from './ruleFields';

const { version: _, ...rules } = startingHouseRules;

/** Every single value of the rules by its path, found without the table. */
function leaves(value: object, path = ''): string[] {
  return Object.entries(value).flatMap(([name, inner]: [string, unknown]) =>
    typeof inner === 'object' && inner !== null && !Array.isArray(inner)
      ? leaves(inner, `${path}${name}.`)
      : [`${path}${name}`],
  );
}

/** Another value of the same kind. */
const another = (id: RuleId, value: RuleValue): RuleValue =>
  id === 'classLimits'
    ? 'wide-hinge hingeNewtonCm 60 50.5 40 30'
    : id.startsWith('gradingChoices')
      ? 'some grade'
      : value === 'yes'
        ? 'no'
        : value === 'no'
          ? 'yes'
          : typeof value === 'number'
            ? value + 1
            : `${value} too`;

describe('ruleFields', () => {
  test('every value of the house rules has a field, once, in one of the sections', () => {
    expect(ruleFields.map(({ id }) => id).sort()).toEqual(leaves(rules).sort());
    expect(new Set(ruleFields.map(({ section }) => section))).toEqual(new Set(ruleSections));
  });

  test.each(ruleFields.map(({ id }) => id))('%s is read as it was written, and nothing else moves', (id: RuleId) => {
    const was = ruleValue(rules, id);
    const will = another(id, was);
    const changed = withRule(rules, id, will);
    expect(ruleValue(changed, id)).toBe(will);
    expect(ruleChanges(rules, changed)).toEqual([{ id, from: was, to: will }]);
    expect(withRule(changed, id, was)).toEqual(rules);
    expect(ruleValue(rules, id)).toBe(was);
  });

  test('a switch stays true or false in the rules themselves', () => {
    expect((withRule(rules, 'isRehearsalAsked', 'no') as HouseRules).isRehearsalAsked).toBe(false);
    expect((withRule(rules, 'isRehearsalAsked', 'yes') as HouseRules).isRehearsalAsked).toBe(true);
  });

  test('nobody to hand over to is a value too', () => {
    const alone = withRule(rules, 'handOverMinutes', null);
    expect(ruleChanges(rules, alone)).toEqual([{ id: 'handOverMinutes', from: 3, to: null }]);
  });
});

/** A plain reader of numbers: how a shop writes them is not the core's. */
const numberOf = (typed: string): number | undefined =>
  /^\d+([.,]\d+)?$/.test(typed) ? Number(typed.replace(',', '.')) : undefined;

describe('readRule', () => {
  const money = { is: 'money' } as const;
  const share = { is: 'share' } as const;
  const minutes = { is: 'minutes' } as const;
  test.each([
    [money, '0.55', 55],
    [money, ' 1,05 ', 105],
    [money, '12', 1200],
    [share, '30', 0.3],
    [share, '8.5', 0.085],
    [share, '7', 0.07],
    [minutes, '0,15', 0.15],
    [{ is: 'number' } as const, '1.6', 1.6],
    [{ is: 'celsius' } as const, '22', 22],
    [{ is: 'text' } as const, ' Gullwharf ', 'Gullwharf'],
    [{ is: 'choice', among: ['tray', 'mat'] } as const, 'mat', 'mat'],
    [{ is: 'minutes', isNullable: true } as const, '', null],
  ])('%j %j is %j', (kind, typed, value) => expect(readRule(kind, typed, numberOf)).toBe(value));

  test.each([
    [money, ''],
    [money, 'free'],
    [money, '-1'],
    [money, '1e3'],
    [money, '1.2.3'],
    [share, '12345678'],
    [{ is: 'text' } as const, '   '],
    [{ is: 'choice', among: ['tray'] } as const, 'floor'],
  ])('%j %j cannot be read', (kind, typed) => expect(readRule(kind, typed, numberOf)).toBeUndefined());
});
