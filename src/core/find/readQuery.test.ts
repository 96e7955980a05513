import { modelsMeant, partKindsMeant, readQuery, serialTyped, stepsMeant, type NamedModel } from './readQuery';

const model = (id: string, more: Partial<NamedModel> = {}): NamedModel => ({
  id,
  version: 1,
  maker: 'Oddkin',
  name: id,
  letters: id.slice(0, 2).toLowerCase(),
  aliases: [],
  parts: [
    { id: 'display', name: 'display', aliases: ['screen'], category: 'display' },
    { id: 'upper-battery', name: 'upper battery', aliases: [], category: 'battery' },
  ],
  steps: [
    { id: 'seal', title: 'Cut the seal of the back' },
    { id: 'strip', title: 'Pull the left strip' },
  ],
  ...more,
});
const models = [model('Lantern 5'), model('Wick'), model('Reed 2', { maker: 'Brinewell', aliases: ['B-21'] })];

const racks = ['A', 'B', 'AB'];

test('words are read as grade, bin, figures and names', () => {
  expect(readQuery(' Display lantern  A ', racks)).toMatchObject({
    grade: 'A',
    bin: null,
    names: ['display', 'lantern'],
  });
  expect(readQuery('b12 battery', racks)).toMatchObject({ grade: null, bin: 'B12', names: ['battery'] });
  expect(readQuery('5 lantern x', racks)).toMatchObject({ grade: 'X', figures: ['5'], names: ['lantern'] });
  expect(readQuery('p20418 s12 u7', racks)).toMatchObject({ bin: null, names: ['p20418', 's12', 'u7'] });
  // What is no rack of the shop may be how a serial begins.
  expect(readQuery('ab07 z12 ol54', racks)).toMatchObject({ bin: 'AB07', names: ['z12', 'ol54'] });
  expect(readQuery('a b', racks)).toMatchObject({ grade: 'A', names: ['b'] });
  expect(readQuery('', racks)).toEqual({ words: [], grade: null, bin: null, figures: [], names: [] });
  expect(readQuery('one two three four five six seven eight nine', racks).words).toHaveLength(8);
});

test('parts are meant by their own names, their category and their model, all words together', () => {
  const kinds = (words: string) =>
    partKindsMeant(models, words.split(' '))?.map(({ modelId, partRef }) => `${modelId}/${partRef}`);
  expect(kinds('display lantern')).toEqual(['Lantern 5/display']);
  expect(kinds('screen odd')).toEqual(['Lantern 5/display', 'Wick/display']);
  expect(kinds('batt')).toEqual(['Lantern 5/upper-battery', 'Wick/upper-battery', 'Reed 2/upper-battery']);
  expect(kinds('battery b-21')).toEqual(['Reed 2/upper-battery']);
  expect(kinds('camera')).toEqual([]);
  expect(partKindsMeant(models, [])).toBeNull();
});

test('a step is meant by a word of its own; a model’s name alone means the model', () => {
  expect(stepsMeant(models, ['lantern', 'seal']).map(({ title }) => title)).toEqual(['Cut the seal of the back']);
  expect(stepsMeant(models, ['lantern'])).toEqual([]);
  expect(stepsMeant(models, ['strip'])).toHaveLength(3);
  expect(modelsMeant(models, 'brine')).toEqual(['Reed 2']);
});

test('what can be a serial has a figure, and at least four letters and figures', () => {
  expect(['ol-5643 3012', 'MSQ2', 'battery', 'a1', 'x_1234'].map(serialTyped)).toEqual([
    'OL56433012',
    'MSQ2',
    null,
    null,
    null,
  ]);
});
