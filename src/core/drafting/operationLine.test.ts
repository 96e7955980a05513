import fc from 'fast-check';
import { shippedModels } from '../../../tests/support/models';
import { checkModel } from '@/core/procedure/checkModel';
import type { Model } from '@/core/procedure/model';
import { completionsFor } from './completions';
import { emptyModel } from './emptyModel';
import { emptyLine, lineOf, writeLine, type OperationLine } from './operationLine';
import { makeScrews, readScrews } from './parseJoints';
import { guessCategory, guessToolKind, idFrom } from './words';
import { say } from '@/words/catalogue/core/opening';

const begun = emptyModel({ maker: 'Fennick', name: 'Small', kind: 'handheld' });
const write = (lines: readonly Partial<OperationLine>[], model: Model = begun): Model =>
  lines.reduce<Model>(
    (written, line) => writeLine(written, written.operations.length, { ...emptyLine, ...line }).model,
    model,
  );

describe('writeLine', () => {
  test('makes parts, joints and a way back from one line', () => {
    const model = write([
      { title: 'Take the speaker out', opens: '3 PH00 3.0, plug', frees: 'speaker', minutes: '0.8' },
    ]);
    expect(model.joints.map(({ kind, holds }) => [kind, holds])).toEqual([
      ['screw', ['speaker']],
      ['screw', ['speaker']],
      ['screw', ['speaker']],
      ['plug', ['speaker']],
    ]);
    expect(model.parts).toMatchObject([{ id: 'speaker', category: 'speaker', slot: 'functional' }]);
    expect(model.operations[0]).toMatchObject({
      id: 'take-the-speaker-out',
      tool: 'Hands',
      minutes: { low: 0.56, likely: 0.8, high: 1.44 },
      back: { title: 'Put the speaker in' },
    });
  });

  test('what is left empty is taken from the line above, and the line above comes first', () => {
    const model = write([
      { title: 'Switch it off', face: 'Glass up', tool: 'Fork', minutes: '1' },
      { title: 'Slide the cover off', opens: 'tab', frees: 'cover' },
    ]);
    expect(model.operations[1]).toMatchObject({
      face: 'glass-up',
      tool: 'Fork',
      after: [{ any: ['switch-it-off'], reason: 'physical' }],
    });
    expect(model.faces.map(({ name }) => name)).toEqual(['Back up', 'Glass up']);
    expect(model.operations[0]?.back).toBeNull();
  });

  test('names what must come first by line number, by id, with alternatives, or says that nothing does', () => {
    const model = write([
      { title: 'A', after: '-' },
      { title: 'B', after: '-' },
      { title: 'C', after: '1|b' },
      { title: 'D', after: '1, c' },
    ]);
    expect(model.operations.map(({ after }) => after.map(({ any }) => any.join('|')))).toEqual([
      [],
      [],
      ['a|b'],
      ['a', 'c'],
    ]);
  });

  test('opens joints that are there, one by one or as a range', () => {
    const model = write([
      { title: 'A', opens: '4 T5 6' },
      { title: 'B', opens: 's1-s3, s4' },
    ]);
    expect(model.operations[1]?.opens).toEqual(['s1', 's2', 's3', 's4']);
    expect(model.joints).toHaveLength(4);
  });

  test('says what it cannot read, and takes the rest', () => {
    const { model, unread } = writeLine(begun, 0, {
      ...emptyLine,
      title: 'A',
      opens: 'glue pot 9, 2 PH00 3',
      after: 'moon',
      minutes: 'long',
    });
    expect(unread.map(({ field }) => field)).toEqual(['after', 'minutes']);
    expect(model.joints.map(({ kind }) => kind)).toEqual(['glue', 'screw', 'screw']);
    const [first] = writeLine(begun, 0, { ...emptyLine, title: 'A', opens: 'what is this' }).unread;
    expect(first && say(first.says)).toContain('what is this');
    expect(() => writeLine(begun, 3, emptyLine)).toThrow(RangeError);
  });

  test.each(shippedModels.map((model) => [model.name, model] as const))(
    '%s: writing a line as it stands changes nothing',
    (_, model) => {
      model.operations.forEach((operation, at) => {
        const written = writeLine(model, at, lineOf(model, operation));
        expect(written.unread).toEqual([]);
        expect(written.model).toEqual(model);
      });
    },
  );

  test('whatever is typed, the model stays one that can be checked, and every id is its own', () => {
    const word = fc.constantFrom(
      '',
      'speaker',
      '4 PH00 3.0',
      'plug',
      's1-s9',
      '<b>',
      '-',
      '1',
      '2|1',
      'Ø',
      '  ',
      '0.5 1 2',
      'board, cell',
    );
    const line = fc.record({
      title: fc.constantFrom('Take it', 'Öffne', 'Lift the cell out'),
      face: word,
      tool: word,
      opens: word,
      frees: word,
      after: word,
      minutes: word,
    });
    fc.assert(
      fc.property(fc.array(line, { minLength: 1, maxLength: 8 }), (lines) => {
        const model = write(lines);
        for (const list of [model.operations, model.joints, model.parts, model.faces] as const) {
          expect(new Set(list.map(({ id }) => id)).size).toBe(list.length);
          for (const { id } of list) expect(id).toMatch(/^[a-z0-9][a-z0-9-]*$/);
        }
        expect(() => checkModel(model)).not.toThrow();
      }),
      { seed: 11 },
    );
  });
});

describe('completions', () => {
  const model = write([
    { title: 'Take the speaker out', tool: 'Fork', opens: '2 PH00 3.0', frees: 'speaker' },
    { title: 'Lift the camera out', opens: 'plug', frees: 'camera' },
  ]);

  test('come from the model’s own words, the last entry of a list', () => {
    expect(completionsFor(model, 2, 'tool', 'fo')).toEqual(['Fork']);
    expect(completionsFor(model, 1, 'frees', 'speaker, cam')).toEqual(['speaker, camera']);
    expect(completionsFor(model, 2, 'after', 'lift')).toEqual(['lift-the-camera-out']);
    expect(completionsFor(model, 2, 'title', 'take the c')).toEqual(['Take the camera out']);
    expect(completionsFor(model, 2, 'opens', 'rib')).toEqual(['ribbon ']);
    expect(completionsFor(model, 2, 'minutes', '1')).toEqual([]);
  });

  test('offer no part that is out already: a new one may begin with its name', () => {
    const doored = write([{ title: 'Open the door', frees: 'battery door' }]);
    expect(completionsFor(doored, 1, 'frees', 'battery')).toEqual([]);
    expect(completionsFor(doored, 0, 'frees', 'battery')).toEqual(['battery door']);
  });

  test('offer nothing that is typed in full, and no joint that is open already', () => {
    expect(completionsFor(model, 2, 'tool', 'Fork')).toEqual([]);
    expect(completionsFor(model, 2, 'opens', 's')).not.toContain('s1');
    expect(completionsFor(model, 0, 'opens', 's')).toContain('s1');
  });
});

describe('what is guessed from words', () => {
  test.each([
    ['back cover', 'housing'],
    ['main board', 'board'],
    ['port board', 'port'],
    ['battery plate', 'cover'],
    ['battery door', 'housing'],
    ['battery', 'battery'],
    ['charge socket', 'port'],
    ['side key', 'keys'],
    ['thing', 'cover'],
  ])('%s is a %s', (name, category) => expect(guessCategory(name)).toBe(category));

  test('tools by what they are made of', () => {
    expect(
      ['Hands', 'Plastic pick', 'Steel spatula', 'Hot air', 'Hexalobular driver T5', 'Swab'].map(guessToolKind),
    ).toEqual(['hand', 'plastic', 'metal', 'heat', 'driver', 'other']);
  });

  test('an id is plain, short, and not taken', () => {
    expect(idFrom('Übergröße & Co.', new Set())).toBe('ubergro-e-co');
    expect(idFrom('a', new Set(['a', 'a-2']))).toBe('a-3');
    expect(idFrom('!!!', new Set())).toBe('x');
  });
});

describe('screws as they are written', () => {
  test.each<[string, ReturnType<typeof readScrews>]>([
    ['4 PH00 3.0', { drive: 'PH00', lengthMm: 3, count: 4 }],
    ['4 x PH00 3,5', { drive: 'PH00', lengthMm: 3.5, count: 4 }],
    ['21 PH00', { drive: 'PH00', count: 21 }],
    ['PH0', { drive: 'PH0', count: 1 }],
    ['2 ph0 5', { drive: 'PH0', lengthMm: 5, count: 2 }],
    ['3 H1.5 4', { drive: 'H1.5', lengthMm: 4, count: 3 }],
    ['2 TH6', { drive: 'TH6', count: 2 }],
    ['4 XZ9', { drive: 'XZ9', count: 4 }],
    ['XZ9', undefined],
    ['plug battery', undefined],
    ['0 PH00 3', undefined],
    ['PH00 0', undefined],
  ])('%s', (text, read) => {
    expect(readScrews(text)).toEqual(read);
  });

  test('what was not measured stays unknown on the drawing', () => {
    const face = { id: 'f', name: 'F', widthMm: 60, heightMm: 120, cornerMm: 4, outlines: [], keepOut: [] };
    const [first] = makeScrews({ drive: 'PH00', count: 2 }, face, [], []);
    expect(first).toMatchObject({ kind: 'screw', drive: 'PH00' });
    for (const field of ['lengthMm', 'diameterMm', 'depthMm']) expect(first).not.toHaveProperty(field);
  });
});
