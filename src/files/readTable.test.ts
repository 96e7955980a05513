import { mostBytes, readTable } from './readTable';

const bytes = (text: string) => new TextEncoder().encode(text);
const latin = (text: string) => Uint8Array.from(text, (letter) => letter.charCodeAt(0));
const utf16 = (text: string) => Uint8Array.from(Buffer.from(`\uFEFF${text}`, 'utf16le'));

describe('readTable', () => {
  test.each([
    ['UTF-8', bytes('maker,model\nOddkin,Łódź')],
    ['UTF-8', bytes('\uFEFFmaker,model\nOddkin,Łódź')],
    ['UTF-16', utf16('maker,model\nOddkin,Łódź')],
    ['Windows-1252', latin('maker,model\nOddkin,Fähre')],
  ])('finds %s', (encoding, given) => {
    const outcome = readTable(given);
    expect(outcome).toMatchObject({ ok: true, value: { encoding } });
    expect(outcome.ok && outcome.value.rows[0]).toEqual(['maker', 'model']);
    expect(outcome.ok && outcome.value.rows[1]?.[1]).toMatch(/Łódź|Fähre/);
  });

  test.each([',', ';', '\t', '|'])('finds the separator “%s”, quotes notwithstanding', (separator) => {
    const outcome = readTable(
      bytes(['maker', 'model', 'note'].join(separator) + '\n' + ['Oddkin', '"Lantern, 5; a"', 'ok'].join(separator)),
    );
    expect(outcome).toMatchObject({
      ok: true,
      value: {
        separator,
        rows: [
          ['maker', 'model', 'note'],
          ['Oddkin', 'Lantern, 5; a', 'ok'],
        ],
      },
    });
  });

  test.each([
    ['file-empty', new Uint8Array()],
    ['file-empty', bytes(' \n ')],
    ['file-unreadable', Uint8Array.from([0x89, 0x50, 0x4e, 0x47, 0, 0, 0, 1])],
    ['file-unreadable', bytes('maker,model\n"Oddkin,Lantern')],
    ['file-too-large', new Uint8Array(mostBytes + 1)],
    ['file-too-large', bytes('maker,model\n' + 'Oddkin,Lantern\n'.repeat(20_001))],
  ])('%s', (reason, given) => {
    expect(readTable(given)).toMatchObject({ ok: false, refusal: { reason } });
  });
});
