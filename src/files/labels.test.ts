import { picturesOf, readCode } from '../../tests/support/readCode';
import { drawLabelSvg } from './drawLabelSvg';
import { writeLabelPdf } from './writeLabelPdf';
import { writePackingList } from './writePackingList';

const label = { tag: 'U-0747', title: 'Marrowby <Slate> & Quay', fact: 'grade B' };

describe('labels', () => {
  test('the SVG names the tag and escapes what it is given', () => {
    const svg = drawLabelSvg(label);
    expect(svg).toContain('>U-0747</text>');
    expect(svg).toContain('>Marrowby &#60;Slate&#62;</text>');
    expect(svg).toContain('>&#38; Quay</text>');
    expect(svg).not.toContain('<Slate>');
    expect(svg).toMatch(/<path d="[^"]+"/);
  });

  test.each([
    ['Lantern 5', ['Lantern 5']],
    ['Marrowby Twofold Quay', ['Marrowby Twofold', 'Quay']],
    ['Twofold Quay loudspeaker of the left hand side', ['Twofold Quay', 'loudspeaker of…']],
    ['Incomprehensibilities', ['Incomprehensib…']],
  ])('“%s” keeps within the label', (title, lines) => {
    const drawn = [...drawLabelSvg({ ...label, title }).matchAll(/font-size="3.6"[^>]*>([^<]*)</g)].map(
      ([, line]) => line,
    );
    for (const line of drawn) expect((line as string).length).toBeLessThanOrEqual(16);
    expect(drawn.map((line) => line?.slice(0, 12))).toEqual(lines.map((line) => line.slice(0, 12)));
  });

  test('the PDF is one page of the label’s size with our own fonts in it', async () => {
    const text = (await writeLabelPdf(label)).toString('latin1');
    expect(text.startsWith('%PDF-')).toBe(true);
    expect(text).toMatch(/MediaBox \[0 0 198\.4\d* 102\.0\d*\]/);
    expect(text).toContain('Atkinson');
  });

  test.each(['U-0747', 'P-20639', 'S-0012'])('a scanner reads %s off the PDF', async (tag) => {
    const [code] = picturesOf(await writeLabelPdf({ ...label, tag }));
    expect(await readCode(code as ImageData)).toEqual([tag]);
  });

  test('a packing list of many units runs over pages', async () => {
    const line = { tag: 'U-0001', what: 'Oddkin Lantern 5, grey', serial: 'OL5', grade: 'B', statement: 'Data wiped.' };
    const pdf = await writePackingList({
      shipment: 'S-0012',
      from: 'Us',
      recipient: 'Them',
      sentOn: '2026-11-25',
      lines: Array.from({ length: 40 }, () => line),
    });
    expect(pdf.toString('latin1').match(/\/Type \/Page\b/g)?.length).toBe(3);
  });
});
