import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { compileMessage, compileRoom } from './compileWords';
import { projectRoot } from './home';
import { compiledWords, readRooms } from './writeWords';

describe('the catalogue of words', () => {
  test.each([...compiledWords()])('%s is what `npm run words` makes of the messages', (file, text) => {
    const path = join(projectRoot, file);
    expect(existsSync(path)).toBe(true);
    expect(readFileSync(path, 'utf8')).toBe(text);
  });

  test('no message is empty, and none begins or ends with two spaces or holds markup', () => {
    for (const [room, messages] of readRooms())
      for (const [key, message] of Object.entries(messages)) {
        expect([room, key, message.trim() === '']).toEqual([room, key, false]);
        expect([room, key, /^ {2}| {2}$|<\/?[a-z]+>/.test(message)]).toEqual([room, key, false]);
      }
  });
});

describe('compiling a message', () => {
  test('plain words take nothing; a backquote and a dollar stay what they are', () => {
    expect(compileMessage('Take it off').code).toBe('l`Take it off`');
    expect(compileMessage('a `b` ${c}'.replace('${c}', '$')).code).toBe('l`a \\`b\\` $`');
    expect(compileMessage('Take it off').args.size).toBe(0);
  });

  test('placeholders are typed by what is done with them', () => {
    const { args } = compileMessage(
      '{name}: {cents, money}, {count, plural, one {#} other {#}} {isOld, select, yes {o} other {}}',
    );
    expect(Object.fromEntries(args)).toEqual({ name: 'Text', cents: 'number', count: 'number', isOld: "'yes' | 'no'" });
  });

  test('a formatter that is not there, and a message that is not in the format, are refused', () => {
    expect(() => compileMessage('{cents, monney}')).toThrow('no formatter “monney”');
    expect(() => compileMessage('{count, plural, one {#}')).toThrow();
  });

  test('a room of a screen ships a function a message; one of the core can be said by code as well', () => {
    const room = { stop: 'Stop', left: '{count, plural, one {# step} other {# steps}} left' };
    expect(compileRoom('bench', room)).not.toContain('sayer');
    expect(compileRoom('bench', room)).toContain('export const left = (d: { count: number })');
    expect(compileRoom('core/sheet', room)).toContain("say = sayer<'sheet'>");
  });
});
