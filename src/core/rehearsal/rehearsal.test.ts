import { say } from '@/words/catalogue/core/rehearsal';
import { startingHouseRules } from '@/core/shared/houseRules';
import fc from 'fast-check';
import { shippedModels } from '../../../tests/support/models';
import { sheetOf } from '@/core/sheet/sheetOf';
import { defaultTargets } from '@/core/sheet/sheetSteps';
import { isReady } from '@/core/procedure/situation';
import type { Model } from '@/core/procedure/model';
import { Chance } from '@/core/shared/chance';
import type { RunSheet } from '@/core/teardown/sheet/runSheet';
import { unrehearsed } from './certified';
import { questionsOf } from './questions';
import { afterAnswer, intervalDays, isDue, scoreOf, type Recall } from './recall';

function sheetFor(model: Model): RunSheet {
  const configuration = model.configurations[0]?.id ?? '';
  const unit = { revision: model.revisions[0]?.id ?? '', configuration, marks: [] };
  const sheet = sheetOf(model, unit, {
    kind: 'teardown',
    targets: defaultTargets(model, configuration),
    rules: startingHouseRules,
  });
  if (!sheet.ok) throw new Error(JSON.stringify(sheet.refusal));
  return sheet.value;
}

describe('the questions of a step', () => {
  test.each(shippedModels.map((model) => [model.name, model] as const))(
    'of %s: one right choice each, and every wrong one says what would have happened',
    (_name, model) => {
      const sheet = sheetFor(model);
      const byId = new Map(model.operations.map((operation) => [operation.id, operation]));
      const onSheet = new Map(
        sheet.steps.flatMap(({ operationId }) => {
          const operation = byId.get(operationId ?? '');
          return operation ? [[operation.id, operation] as const] : [];
        }),
      );
      let asked = 0;
      sheet.steps.forEach((step, done) => {
        const doneIds = new Set(sheet.steps.slice(0, done).map(({ operationId }) => operationId as string));
        for (const { skill, item, choices } of questionsOf(model, sheet, done, new Chance(done))) {
          asked += 1;
          expect(item).toBe(`${skill}:${step.operationId}`);
          expect(choices.filter(({ isRight }) => isRight)).toHaveLength(1);
          expect(choices.length).toBeGreaterThan(1);
          expect(choices.length).toBeLessThanOrEqual(4);
          expect(new Set(choices.map(({ says }) => says)).size).toBe(choices.length);
          for (const { because } of choices) expect(say(because).length).toBeGreaterThan(8);
          if (skill !== 'order') continue;
          for (const { says, isRight } of choices) {
            const operation = [...onSheet.values()].find(({ id, title }) => title === says && !doneIds.has(id));
            // What could be done just as well is never called wrong.
            if (operation && !isRight) expect(isReady(operation, doneIds, onSheet)).toBe(false);
          }
        }
      });
      expect(asked).toBeGreaterThan(sheet.steps.length / 2);
      expect(questionsOf(model, sheet, sheet.steps.length, new Chance(1))).toEqual([]);
    },
  );

  test('the same chance mixes alike, another one otherwise', () => {
    const model = shippedModels[0] as Model;
    const sheet = sheetFor(model);
    const says = (seed: number) =>
      JSON.stringify(sheet.steps.flatMap((_, done) => questionsOf(model, sheet, done, new Chance(seed + done))));
    expect(says(1)).toBe(says(1));
    expect(says(1)).not.toBe(says(100));
  });
});

describe('what is remembered', () => {
  test('a wrong answer brings it back the same day, right ones later and later', () => {
    let recall: Recall | undefined;
    const days: string[] = [];
    for (const isRight of [false, true, true, true, true, true]) {
      recall = afterAnswer(recall, 'order:x', isRight, '2026-11-26');
      days.push(recall.dueOn);
    }
    expect(days).toEqual(['2026-11-26', '2026-11-27', '2026-11-29', '2026-12-03', '2026-12-17', '2026-12-17']);
    expect(recall).toMatchObject({ right: 5, wrong: 1, box: 4 });
    expect(afterAnswer(recall, 'order:x', false, '2026-12-20')).toMatchObject({ box: 0, dueOn: '2026-12-20' });
  });

  test('is due when never asked, on its day, and after', () => {
    const recall = afterAnswer(undefined, 'cup:x', true, '2026-11-26');
    expect([isDue(undefined, '2026-11-26'), isDue(recall, '2026-11-26'), isDue(recall, '2026-11-27')]).toEqual([
      true,
      false,
      true,
    ]);
  });

  test('boxes stay within the intervals whatever is answered, and every answer is counted', () => {
    fc.assert(
      fc.property(fc.array(fc.boolean(), { minLength: 1 }), (answers) => {
        const recall = answers.reduce<Recall | undefined>(
          (before, isRight) => afterAnswer(before, 'tool:x', isRight, '2026-02-28'),
          undefined,
        ) as Recall;
        expect(recall.box).toBeLessThan(intervalDays.length);
        expect(recall.right + recall.wrong).toBe(answers.length);
      }),
    );
  });

  test('is passed when every skill is at nine of ten', () => {
    const answers = (item: string, right: number, wrong: number) => [
      ...Array.from({ length: right }, () => ({ item, isRight: true })),
      ...Array.from({ length: wrong }, () => ({ item, isRight: false })),
    ];
    expect(scoreOf([...answers('order:a', 9, 1), ...answers('tool:a', 3, 0)]).isPassed).toBe(true);
    expect(scoreOf([...answers('order:a', 20, 0), ...answers('cup:a', 4, 1)])).toEqual({
      skills: [
        { skill: 'order', asked: 20, right: 20 },
        { skill: 'cup', asked: 5, right: 4 },
      ],
      isPassed: false,
    });
    expect(scoreOf([])).toEqual({ skills: [], isPassed: false });
  });
});

describe('steps for certified people', () => {
  const model = shippedModels.find(({ operations }) => operations.some(({ needsCertificate }) => needsCertificate));
  if (!model) throw new Error('a shipped model has a certified step');
  const certified = model.operations.filter(({ needsCertificate }) => needsCertificate).map(({ id }) => id);
  const recall = (item: string, box: number): Recall => ({ item, box, dueOn: '2026-11-26', right: box, wrong: 0 });

  test('are closed to who has rehearsed nothing, and open to who was right the last time', () => {
    expect(unrehearsed(model, [])).toEqual(certified);
    const all = certified.flatMap((id) => [recall(`order:${id}`, 1), recall(`tool:${id}`, 2)]);
    expect(unrehearsed(model, all)).toEqual([]);
    const wrong = all.map((one, at) => (at === 0 ? { ...one, box: 0 } : one));
    expect(unrehearsed(model, wrong)).toContain(certified[0]);
  });

  test('that the practice sheet does not come to ask for most of the model instead', () => {
    const others = model.operations
      .filter(({ id }) => !certified.includes(id))
      .map(({ id }) => recall(`order:${id}`, 1));
    expect(unrehearsed(model, others)).toEqual([]);
    expect(unrehearsed(model, others.slice(0, 2))).toEqual(certified);
    expect(
      unrehearsed(
        model,
        others.map((one) => ({ ...one, box: 0 })),
      ),
    ).toEqual(certified);
  });

  test('a model without any closes nothing', () => {
    expect(
      unrehearsed({ ...model, operations: model.operations.filter(({ needsCertificate }) => !needsCertificate) }, []),
    ).toEqual([]);
  });
});
