import { say } from '@/words/catalogue/core/intake';
import { fitsFile } from './columnMapping';
import { readManifest } from './readManifest';

const none: ReadonlySet<string> = new Set();
const read = (text: string, known = none) =>
  readManifest(
    text.split('\n').map((line) => line.split(',')),
    known,
  );
const problems = (text: string, known = none) => {
  const outcome = read(text, known);
  return outcome.ok
    ? outcome.value.badRows.map(({ fileLine, problem }) => `${fileLine}: ${say(problem)}`)
    : outcome.refusal;
};

describe('readManifest', () => {
  test('finds columns by many names, in any order', () => {
    const outcome = read('SN,Manufacturer,Device,Remark\nab12,Oddkin,Lantern 5,cracked');
    expect(outcome).toMatchObject({
      ok: true,
      value: {
        lines: [{ lineNo: 1, maker: 'Oddkin', model: 'Lantern 5', serial: 'AB12', note: 'cracked' }],
        columns: { serial: 'SN', maker: 'Manufacturer' },
      },
    });
  });

  test('says which columns are missing and what there was', () => {
    expect(problems('serial,colour\n1,red')).toEqual({
      reason: 'columns-missing',
      values: { columns: ['maker', 'model'], found: ['serial', 'colour'] },
    });
  });

  test('no rows, no list', () => {
    for (const text of ['maker,model', 'maker,model\n,', ''])
      expect(problems(text)).toMatchObject({ reason: 'file-empty' });
  });

  test('every bad row is named with its line of the file', () => {
    const text = [
      'line,maker,model,serial',
      '1,Oddkin,Lantern 5,A1',
      '1,Oddkin,Lantern 5,A2',
      'x,Oddkin,Lantern 5,A3',
      '4,,Lantern 5,A4',
      '5,Oddkin,,A5',
      '6,Oddkin,Lantern 5,a1',
      '7,Oddkin,Lantern 5,IN-HOUSE',
      '8,Oddkin,Lantern 5,A8,too many',
      '9,Oddk\uFFFDn,Lantern 5,A9',
      `10,${'O'.repeat(61)},Lantern 5,A10`,
      ',,,',
      '11,Oddkin,Lantern 5,A11',
    ].join('\n');
    expect(problems(text, new Set(['IN-HOUSE']))).toEqual([
      '3: Line number 1 occurs twice.',
      '4: The line number is not a whole number from 1.',
      '5: The maker is empty.',
      '6: The model is empty.',
      '7: Serial A1 is also on line 2 of the file.',
      '8: A unit with serial IN-HOUSE is already in the shop.',
      '9: 5 cells under 4 headings. Is there a separator inside an unquoted text?',
      '10: It has characters that could not be read.',
      '11: The maker is longer than 60 characters.',
    ]);
    const outcome = read(text, new Set(['IN-HOUSE']));
    expect(outcome.ok && outcome.value.lines.map(({ lineNo }) => lineNo)).toEqual([1, 11]);
  });

  test('line numbers begin at 1: 0, less, and parts of a line are none', () => {
    const text = ['line,maker,model', '0,Oddkin,Wick', '-1,Oddkin,Wick', '1.5,Oddkin,Wick', '1,Oddkin,Wick'].join('\n');
    expect(problems(text)).toEqual([2, 3, 4].map((line) => `${line}: The line number is not a whole number from 1.`));
    const outcome = read(text);
    expect(outcome.ok && outcome.value.lines.map(({ lineNo }) => lineNo)).toEqual([1]);
  });

  test('a file without headings, and one with its columns swapped, is read as somebody says', () => {
    const mapping = { hasHeading: false, columns: { serial: 0, model: 1, maker: 2 } };
    const bare = readManifest(
      [
        ['S1', 'Lantern 5', 'Oddkin'],
        ['S2', '', 'Oddkin'],
      ],
      none,
      mapping,
    );
    expect(bare).toMatchObject({
      ok: true,
      value: {
        lines: [{ lineNo: 1, maker: 'Oddkin', model: 'Lantern 5', serial: 'S1' }],
        badRows: [{ fileLine: 2, problem: { code: 'intake.modelEmpty' } }],
        columns: { serial: 'column 1' },
      },
    });
    const swapped = readManifest(
      [
        ['maker', 'model'],
        ['Lantern 5', 'Oddkin'],
      ],
      none,
      { hasHeading: true, columns: { maker: 1, model: 0 } },
    );
    expect(swapped).toMatchObject({ value: { lines: [{ maker: 'Oddkin', model: 'Lantern 5' }] } });
  });

  test('a mapping is remembered for files that begin alike', () => {
    const head = ['Gerät', 'Firma'];
    const remembered = { head, mapping: { hasHeading: true, columns: { model: 0, maker: 1 } } };
    expect(fitsFile(remembered, ['Gerät', 'Firma'])).toBe(true);
    expect(fitsFile(remembered, ['Firma', 'Gerät'])).toBe(false);
    const bare = { head, mapping: { hasHeading: false, columns: { model: 0, maker: 1 } } };
    expect([fitsFile(bare, ['a', 'b']), fitsFile(bare, ['a', 'b', 'c'])]).toEqual([true, false]);
  });

  test('10,000 rows, half of them doubled, keep their order and lose none silently', () => {
    const rows = Array.from({ length: 10_000 }, (_, at) => `Oddkin,Lantern 5,S${at % 5000}`);
    const outcome = read(['maker,model,serial', ...rows].join('\n'));
    expect(outcome.ok && [outcome.value.lines.length, outcome.value.badRows.length]).toEqual([5000, 5000]);
  });
});
