import { after, operation, shippedModels, smallModel } from '../../../tests/support/models';
import { checkModel } from './checkModel';
import type { Joint, Model } from './model';

const rules = (model: Model) => [...new Set(checkModel(model).map(({ rule }) => rule))];
const clip = (given: Partial<Joint> = {}): Joint =>
  ({ id: 'clip', kind: 'clip', face: 'top', xMm: 1, yMm: 1, holds: [], ...given }) as Joint;

describe('checkModel', () => {
  test.each(shippedModels.map((model) => [model.name, model] as const))('%s, which ships, is clean', (_, model) => {
    expect(checkModel(model)).toEqual([]);
  });

  test.each<[string, Model]>([
    ['double-id', smallModel([operation('a'), operation('a')])],
    ['dangling-id', smallModel([operation('a', { opens: ['nothing'] })])],
    ['dangling-id', smallModel([operation('a', { face: 'nowhere' })])],
    ['dangling-id', smallModel([operation('a', { when: { revisions: ['z'] } })])],
    ['times-order', smallModel([operation('a', { minutes: { low: 3, likely: 2, high: 4 } })])],
    ['unreachable', smallModel([operation('a', { after: [after('b')] }), operation('b', { after: [after('a')] })])],
    ['never-freed', { ...smallModel([operation('a', { frees: ['speaker'] })]), operations: [operation('a')] }],
    ['still-held', smallModel([operation('a', { frees: ['speaker'] })], { joints: [clip({ holds: ['speaker'] })] })],
    [
      'no-consumable',
      smallModel(
        [
          operation('a', {
            frees: ['sheet'],
            back: { title: 'Stick it', detail: '', minutes: { low: 1, likely: 1, high: 1 }, consumables: [] },
          }),
        ],
        {
          parts: [
            { id: 'sheet', name: 'sheet', aliases: [], category: 'cover', interchange: 'sheet', singleUse: true },
          ],
        },
      ),
    ],
  ])('%s is found, and nothing else', (rule, model) => {
    expect(rules(model)).toEqual([rule]);
  });

  test('a problem names its place and a mend', () => {
    const [problem] = checkModel(smallModel([operation('a', { opens: ['nothing'] })]));
    expect(problem).toEqual({
      rule: 'dangling-id',
      place: 'operations[0] (a).opens',
      says: 'There is no joint “nothing”.',
      mend: 'Add the joint, or name one that exists.',
    });
  });

  test('an alternative that waits for itself does not make the other one unreachable', () => {
    const model = smallModel([
      operation('a'),
      operation('b', { after: [after('a', 'c')] }),
      operation('c', { after: [after('b')] }),
    ]);
    expect(rules(model)).toEqual([]);
  });
});
