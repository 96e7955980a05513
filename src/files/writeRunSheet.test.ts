import { startingHouseRules } from '@/core/shared/houseRules';
import { shippedModels } from '../../tests/support/models';
import { picturesOf, readCode } from '../../tests/support/readCode';
import { sheetOf } from '@/core/sheet/sheetOf';
import { defaultTargets } from '@/core/sheet/sheetSteps';
import type { Model } from '@/core/procedure/model';
import { writeRunSheet, type PrintedSheet } from './writeRunSheet';

function printed(model: Model, kind: 'teardown' | 'rebuild'): PrintedSheet {
  const configuration = model.configurations[0]?.id ?? '';
  const targets =
    kind === 'teardown'
      ? defaultTargets(model, configuration)
      : model.parts
          .filter(({ slot }) => slot !== undefined)
          .slice(0, 2)
          .map(({ id }) => id);
  const unit = { revision: model.revisions[0]?.id ?? '', configuration, marks: [] };
  const sheet = sheetOf(model, unit, { kind, targets, rules: startingHouseRules });
  if (!sheet.ok) throw new Error(JSON.stringify(sheet.refusal));
  return {
    tag: 'U-0747',
    title: `${model.maker} ${model.name}`,
    wanted: targets,
    sheet: sheet.value,
    doneStepIds: sheet.value.steps.slice(0, 2).map(({ id }) => id),
    faces: Object.fromEntries(model.faces.map(({ id, name }) => [id, name])),
  };
}

describe('the printed run sheet', () => {
  test.each(shippedModels.map((model) => [model.name, model] as const))(
    'of %s has its pages, its fonts and a code that a scanner reads',
    async (_name, model) => {
      for (const kind of ['teardown', 'rebuild'] as const) {
        const pdf = await writeRunSheet(printed(model, kind));
        const text = pdf.toString('latin1');
        expect(text.startsWith('%PDF-')).toBe(true);
        expect(text).toContain('Atkinson');
        const pages = text.match(/\/Type \/Page\b/g)?.length ?? 0;
        expect(pages).toBeGreaterThanOrEqual(1);
        // Nothing is drawn below a page’s edge, which would begin a page for each line.
        expect(pages).toBeLessThanOrEqual(8);
        expect(await readCode(picturesOf(pdf)[0] as ImageData)).toEqual(['U-0747']);
      }
    },
  );
});
