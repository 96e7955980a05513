import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { message } from '@/core/shared/message';
import { reasons } from '@/core/shared/reasons';
import { sayRefusal, sentences } from './sentences';

const documented = readFileSync(join(__dirname, '../../../docs/errors.md'), 'utf8');
const listed = [...documented.matchAll(/^\| `([a-z-]+)`\s*\|/gm)].map((match) => match[1]);

describe('sentences', () => {
  test('every refusal has a sentence, and docs/errors.md lists the same ones', () => {
    expect(Object.keys(sentences).sort()).toEqual([...reasons].sort());
    expect([...listed].sort()).toEqual([...reasons].sort());
  });

  test.each(reasons)('%s: what happened and what to do, no shouting', (reason) => {
    const sentence = sayRefusal({ reason, values: { tag: 'U-0747', by: 'Imke R.', count: 2, says: 'it is wrong' } });
    expect(sentence.length).toBeGreaterThan(30);
    expect(sentence).not.toMatch(/!/);
    expect(sentence.at(-1)).toMatch(/[.]/);
  });

  test('what stands inside another sentence is said in words too, and several things as a list', () => {
    const line = message('refusals.quoteOpen', { line: 2 });
    expect(sayRefusal({ reason: 'file-unreadable', values: { says: line } })).toContain(
      '(near line 2, a quotation mark is opened and not closed)',
    );
    const values = { columns: ['maker', 'model'], found: ['serial', 'colour'] };
    expect(sayRefusal({ reason: 'columns-missing', values })).toContain(
      'no column for maker and model among serial and colour',
    );
  });
});
