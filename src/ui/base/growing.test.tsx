import { ChakraProvider } from '@chakra-ui/react';
import { renderToStaticMarkup } from 'react-dom/server';
import { system } from '@/ui/theme/system';
import { Queue } from './Queue';

const entries = Array.from({ length: 300 }, (_, at) => ({ id: `${at}`, tag: `U-${1000 + at}`, words: 'waits' }));

const drawn = (count: number, chosen: string) =>
  renderToStaticMarkup(
    <ChakraProvider value={system}>
      <Queue label="Units" title="Units" entries={entries.slice(0, count)} chosen={chosen} onChoose={() => undefined} />
    </ChakraProvider>,
  );
const tagsIn = (html: string): readonly string[] => [...html.matchAll(/U-\d{4}/g)].map(([tag]) => tag);

describe('a long list', () => {
  test('draws its first rows and says how many are left', () => {
    const html = drawn(300, '0');
    expect(tagsIn(html)).toEqual(entries.slice(0, 20).map(({ tag }) => tag));
    expect(html).toContain('280 more');
  });

  test('always draws the chosen row, with some below it', () => {
    const tags = tagsIn(drawn(300, '150'));
    expect(tags).toContain('U-1150');
    expect(tags.length).toBeGreaterThan(155);
    expect(tags.length).toBeLessThan(200);
  });

  test('a short one is drawn whole and says nothing', () => {
    const html = drawn(20, '3');
    expect(tagsIn(html)).toHaveLength(20);
    expect(html).not.toContain('more');
    expect(tagsIn(drawn(300, '299'))).toHaveLength(300);
  });
});
