import { drivePattern } from '@/core/procedure/drives';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import schema from '../../docs/formats/model.schema.json';
import { phone, shippedModels } from '../../tests/support/models';
import {
  arcReasons,
  deviceKinds,
  deviceTests,
  findings,
  jointKinds,
  motions,
  partCategories,
  headForms,
  markColours,
  markShapes,
  slotKinds,
} from '@/core/procedure/vocabulary';
import { readModelDocument } from './readModelDocument';

const problem = (change: (model: Record<string, unknown>) => void) => {
  const model = structuredClone(phone) as unknown as Record<string, unknown>;
  change(model);
  return readModelDocument(JSON.stringify(model)).problems[0];
};

describe('readModelDocument', () => {
  test.each(shippedModels.map((model) => [model.name, model] as const))('%s goes through without loss', (_, model) => {
    expect(readModelDocument(JSON.stringify(model))).toEqual({ model, problems: [], more: 0 });
  });

  test('errors name the place', () => {
    expect(
      problem((model) => (((model.operations as { tool: unknown }[])[3] as { tool: unknown }).tool = 7)),
    ).toMatchObject({ rule: 'schema', place: 'operations[3] (warm-back).tool' });
    expect(
      problem((model) => (((model.faces as { widthMm: unknown }[])[0] as { widthMm: unknown }).widthMm = -4)),
    ).toMatchObject({ place: 'faces[0] (front).widthMm', says: { values: { says: 'must be >= 1' } } });
    expect(problem((model) => delete model.letters)).toMatchObject({
      place: 'document',
      says: { values: { says: "must have required property 'letters'" } },
    });
    expect(problem((model) => (model.colour = 'red'))).toMatchObject({
      says: { values: { says: 'must NOT have additional properties', detail: ': “colour”' } },
    });
    expect(
      problem((model) => ((model.operations as { opens: string[] }[])[4] as { opens: string[] }).opens.push('nothing')),
    ).toMatchObject({ rule: 'dangling-id', place: 'operations[4] (cut-seal).opens[1]' });
  });

  test.each(['', '{', '[]', 'null', '"model"'])('“%s” is no model, and that is said', (text) => {
    const { model, problems } = readModelDocument(text);
    expect(model).toBeNull();
    expect(problems.length).toBeGreaterThan(0);
  });

  test.each([
    ['a list that is too long', { parts: Array.from({ length: 16_000 }, () => ({})) }, 'parts'],
    ['a list inside', { operations: [{ opens: Array.from({ length: 3_000 }, () => 'a') }] }, 'operations[0].opens'],
    ['nested too deep', JSON.parse(`${'['.repeat(500)}${']'.repeat(500)}`) as object, 'document'],
    ['too many values', Array.from({ length: 1_500 }, () => Array.from({ length: 1_500 }, () => 0)), 'document'],
  ])('%s is refused by one sentence', (_, document, place) => {
    const { model, problems } = readModelDocument(JSON.stringify(document));
    expect(model).toBeNull();
    expect(problems).toMatchObject([{ rule: 'too-large', place }]);
  });

  test('of very many faults fifty are told, and how many more there are; what stands in the way comes first', () => {
    const wrong = { ...phone, parts: Array.from({ length: 400 }, () => ({})) };
    const read = readModelDocument(JSON.stringify(wrong));
    expect(read.problems).toHaveLength(50);
    expect(read.more).toBeGreaterThan(400);
  });

  test('the example of the format’s page is a sound model', () => {
    const page = readFileSync(join(__dirname, '../../docs/formats/model.md'), 'utf8');
    const example = /```json\n([\s\S]*?)```/.exec(page)?.[1] ?? '';
    expect(readModelDocument(example).problems).toEqual([]);
  });

  test('the published schema lists the same words as the core', () => {
    const defs = schema.$defs;
    const [screw, other] = defs.joint.oneOf;
    expect(schema.properties.kind.enum).toEqual(deviceKinds);
    expect(defs.test.enum).toEqual(deviceTests);
    expect(defs.part.properties.category.enum).toEqual(partCategories);
    expect(defs.part.properties.slot.enum).toEqual(slotKinds);
    expect(screw?.properties.form?.enum).toEqual(headForms);
    expect(defs.mark.properties.shape.enum).toEqual(markShapes);
    expect(defs.mark.properties.colour.enum).toEqual(markColours);
    expect(screw?.properties.drive?.pattern).toBe(drivePattern.source);
    expect([screw?.properties.kind.const, ...(other?.properties.kind.enum ?? [])]).toEqual(jointKinds);
    expect(defs.arc.properties.reason.enum).toEqual(arcReasons);
    expect(defs.motion.properties.kind.enum).toEqual(motions);
    expect(defs.operation.properties.when.properties.findings.items.enum).toEqual(findings);
  });
});
