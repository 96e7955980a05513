import { say as inWords } from '@/words/catalogue/core/library';
import { phone, shippedModels } from '../../../tests/support/models';
import { applyPatch } from '@/core/procedure/patch';
import { compareModels } from './compareModels';
import { compareVersions } from './compareVersions';
import { findCards } from './findCards';
import { cardOf } from './modelCard';

const cards = shippedModels.map(cardOf);
const find = (text: string, given: Partial<Parameters<typeof findCards>[1]> = {}) =>
  findCards(cards, { text, ...given }).map(({ name }) => name);

describe('finding a model', () => {
  test.each([
    ['la', 'Lantern 5'],
    ['lantern five', 'Lantern 5'],
    ['OL5', 'Lantern 5'],
    ['brinewell mast', 'Mast 4'],
    ['pulse sensor', 'Cuff'],
    ['e-paper', 'Sedge 8'],
  ])('“%s” finds %s first', (text, name) => expect(find(text)[0]).toBe(name));

  test('finds by kind, maker and feature, alone and together', () => {
    expect(find('', { kind: 'laptop' })).toEqual(['Slate Quay', 'Twofold Quay']);
    expect(find('', { maker: 'Oddkin', kind: 'phone' })).toEqual(['Lantern 5', 'Wick']);
    expect(find('', { feature: 'stacked-fasteners' })).toEqual(['Reed 2']);
    expect(find('wick', { feature: 'high-voltage' })).toEqual(['Wick']);
    expect(find('bound parts')).toEqual(['Wick']);
  });

  test('every word must be found; nothing finds nothing; nothing typed finds all by name', () => {
    expect(find('quay phone')).toEqual([]);
    expect(find('zzz')).toEqual([]);
    expect(find('')).toEqual([...find('')].sort((a, b) => a.localeCompare(b)));
    expect(find('').length).toBe(shippedModels.length);
  });

  test('any name of any model finds it', () => {
    for (const model of shippedModels) {
      for (const name of [model.name, ...model.aliases, `${model.maker} ${model.name}`])
        expect(find(name)).toContain(model.name);
      for (const part of model.parts)
        for (const name of [part.name, ...part.aliases]) expect(find(name)).toContain(model.name);
    }
  });
});

describe('what changed between two versions', () => {
  const says = (patch: Parameters<typeof applyPatch>[1]) =>
    compareVersions(phone, applyPatch(phone, patch)).map(
      (difference) => `${inWords(difference.about)}: ${inWords(difference.says)}`,
    );

  test('is said in words', () => {
    expect(says([{ path: ['operations', 4, 'minutes', 'likely'], value: 4 }])).toEqual([
      'step “Cut the seal of the back”: minutes: 2, 3, 6 → 2, 4, 6',
    ]);
    expect(says([{ path: ['operations', 6, 'opens', 0], value: undefined }])).toEqual([
      'step “Take the cover plate off”: opens: removed pl1',
    ]);
    expect(says([{ path: ['parts', 0, 'handling'], value: undefined }])).toEqual([
      'part back cover: handling: was “Film on the inside.”, now none',
    ]);
    expect(says([{ path: ['name'], value: 'Lantern 5s' }])).toEqual(['the model: name: “Lantern 5” → “Lantern 5s”']);
    expect(
      says([{ path: ['operations', 4, 'cautions', 1], value: { what: 'It snaps.', instead: 'Slowly.' } }]),
    ).toEqual(['step “Cut the seal of the back”: cautions: added “It snaps.”']);
    expect(says([{ path: ['operations', 1], value: undefined }])).toEqual(['step “Draw the card tray out”: removed']);
  });

  test('nothing changed says nothing, and a higher number alone is no change', () => {
    expect(compareVersions(phone, { ...phone, version: 9 })).toEqual([]);
  });
});

describe('two models against each other', () => {
  test('what only one has, what both have, which parts fit both', () => {
    const [lantern, reed] = [phone, shippedModels.find(({ name }) => name === 'Reed 2') ?? phone];
    const { onlySecond, both, shared, rows } = compareModels(lantern, reed);
    expect(onlySecond).toContain('stacked-fasteners');
    expect(both).toContain('several-revisions');
    expect(shared).toEqual([{ interchange: 'lantern-motor', names: ['motor', 'buzzer'] }]);
    expect(rows.find(({ label }) => label.code === 'library.operations')?.values).toEqual(['22', '20']);
  });
});
