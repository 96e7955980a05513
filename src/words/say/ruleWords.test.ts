import { readNumber } from './readNumber';
import { readRule, ruleFields, ruleValue } from '@/core/rules/ruleFields';
import { startingHouseRules } from '@/core/shared/houseRules';
import { ruleChoiceNames, ruleName, ruleRowWords, sayRule, writeRule } from './ruleWords';

test.each(ruleFields)('$id: what the field shows is read as the same value', (field) => {
  const { id, kind } = field;
  const value = ruleValue(startingHouseRules, id);
  expect(readRule(kind, writeRule(kind, value), readNumber)).toBe(value);
  expect(ruleRowWords(field).name).not.toBe(ruleRowWords(field).says);
});

test('no two rules are called the same', () => {
  expect(new Set(ruleFields.map(ruleName)).size).toBe(ruleFields.length);
});

test('what can be chosen has a name', () => {
  const choices = ruleFields.flatMap(({ kind }) => (kind.is === 'choice' ? kind.among : []));
  expect(choices.filter((choice) => !ruleChoiceNames[choice])).toEqual([]);
});

test('a value is said with its unit', () => {
  expect(sayRule({ is: 'money' }, 55)).toBe('€0.55');
  expect(sayRule({ is: 'share' }, 0.085)).toBe('8.5 %');
  expect(sayRule({ is: 'minutes', isNullable: true }, null)).toBe('empty');
  expect(sayRule({ is: 'number' }, 1.6)).toBe('1.6');
  expect(sayRule({ is: 'choice', among: ['tray'] }, 'tray')).toBe('into a tray');
});
