import { shippedModels } from '../../../tests/support/models';
import { findModels } from './findModels';

const names = (typed: string, promised = '') => findModels(shippedModels, typed, promised).map(({ name }) => name);

test('two letters find the model, any alias does, and nothing finds nothing', () => {
  expect(names('sq')).toEqual(['Slate Quay']);
  expect(names('quay')).toEqual(['Slate Quay', 'Twofold Quay']);
  expect(names('msq')[0]).toBe('Slate Quay');
  expect(names('zz')).toEqual([]);
});

test('with nothing typed the model that the list promises comes first', () => {
  expect(names('', 'Brinewell Reed 2')[0]).toBe('Reed 2');
  expect(names('').length).toBe(shippedModels.length);
});
