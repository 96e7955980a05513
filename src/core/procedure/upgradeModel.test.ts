import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import Ajv from 'ajv/dist/2020';
import firstSchema from '../../../docs/formats/model-1.schema.json';
import schema from '../../../docs/formats/model.schema.json';
import { phone } from '../../../tests/support/models';
import { upgradeModel, type FirstModel } from './upgradeModel';

/** A document as it was written before, with everything that the two formats say differently. */
const first = JSON.parse(
  readFileSync(join(__dirname, '../../../tests/support/first-format.json'), 'utf8'),
) as FirstModel;
const ajv = new Ajv({ strict: false });

test('a document of the first format is one of this, with what it meant', () => {
  expect(ajv.validate(firstSchema, first)).toBe(true);
  const model = upgradeModel(first);
  expect(ajv.validate(schema, model)).toBe(true);
  const [screw] = model.joints;
  expect(screw).toMatchObject({ drive: 'PH00', lengthMm: 3 });
  expect(screw).not.toHaveProperty('head');
  expect(model.parts.find(({ id }) => id === 'set')?.transfers).toEqual([
    { part: 'eye', tool: 'Hands', minutes: { low: 1, likely: 2, high: 4 } },
  ]);
  const [cover, seal] = model.operations;
  // A driver stays a driver on the way back; a pick becomes a hand.
  expect(cover?.back).toMatchObject({ tool: 'Cross-recess driver PH00', posture: 'propped' });
  expect(seal?.back?.tool).toBe('Hands');
  expect(seal).toMatchObject({ waits: [{ minutes: 3, fixture: 'hot plate' }] });
  expect(seal?.back).toMatchObject({ waits: [{ minutes: 20, fixture: 'clamp' }] });
  expect(seal).not.toHaveProperty('wait');
});

test('one of this format is returned as it is', () => {
  expect(upgradeModel(phone)).toBe(phone);
});
