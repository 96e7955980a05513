import { laptop } from '../../../tests/support/models';
import { assignCups } from './assignCups';
import { screwGroups, screwName } from './screwGroups';

describe('screwGroups', () => {
  test('counts alike screws together and leaves other joints out', () => {
    const groups = screwGroups(laptop.joints.filter(({ face }) => face === 'base'));
    expect(groups.map((group) => `${group.count} × ${screwName(group)}`)).toEqual([
      '7 × PH0 7.0',
      '5 × PH0 5.0',
      '4 × PH00 3.0',
    ]);
    expect(screwGroups(laptop.joints.filter(({ kind }) => kind !== 'screw'))).toEqual([]);
  });
});

describe('assignCups', () => {
  test('numbers cups in removal order and never gives one twice, however many there are', () => {
    const [group] = screwGroups(laptop.joints);
    if (!group) throw new Error('the laptop has screws');
    const cups = assignCups(Array.from({ length: 12 }, (_, at) => ({ stepId: `s${at}`, groups: [group] })));
    expect(cups.map(({ cup, stepId }) => `${cup} ${stepId}`)).toEqual(
      Array.from({ length: 12 }, (_, at) => `${at + 1} s${at}`),
    );
  });
});
