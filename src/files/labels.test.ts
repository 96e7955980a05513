import { picturesOf, readCode } from '../../tests/support/readCode';
import { readBinCode } from '@/core/shelf/binCode';
import { fitted, labelMm } from './labelContent';
import { drawLabelSvg } from './drawLabelSvg';
import { writeLabelPdf } from './writeLabelPdf';
import { writePackingList } from './writePackingList';

const paper = { widthMm: 70, heightMm: 36 };
const label = { tag: 'U-0747', title: 'Marrowby <Slate> & Quay', fact: 'grade B' };

describe('labels', () => {
  test('the SVG names the tag and escapes what it is given', () => {
    const svg = drawLabelSvg(label, paper);
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
    const drawn = [...drawLabelSvg({ ...label, title }, paper).matchAll(/font-size="3.6"[^>]*>([^<]*)</g)].map(
      ([, line]) => line,
    );
    for (const line of drawn) expect((line as string).length).toBeLessThanOrEqual(16);
    expect(drawn.map((line) => line?.slice(0, 12))).toEqual(lines.map((line) => line.slice(0, 12)));
  });

  test('the PDF is one page of the label’s size with our own fonts in it', async () => {
    const text = (await writeLabelPdf([label], paper)).toString('latin1');
    expect(text.startsWith('%PDF-')).toBe(true);
    expect(text).toMatch(/MediaBox \[0 0 198\.4\d* 102\.0\d*\]/);
    expect(text).toContain('Atkinson');
  });

  test.each([
    [{ widthMm: 50, heightMm: 25 }, [141.7, 70.8]],
    [{ widthMm: 100, heightMm: 36 }, [283.4, 102]],
    [{ widthMm: 35, heightMm: 60 }, [99.2, 170]],
  ] as const)('on paper of %j it is drawn whole, and read', async (other, [width, height]) => {
    const pdf = await writeLabelPdf([label], other);
    const box = /MediaBox \[0 0 ([\d.]+) ([\d.]+)\]/.exec(pdf.toString('latin1'));
    expect(Number(box?.[1])).toBeCloseTo(width, 0);
    expect(Number(box?.[2])).toBeCloseTo(height, 0);
    const { scale, leftMm, topMm } = fitted(other);
    expect(leftMm * 2 + labelMm.width * scale).toBeCloseTo(other.widthMm, 9);
    expect(topMm * 2 + labelMm.height * scale).toBeCloseTo(other.heightMm, 9);
    expect(Math.min(leftMm, topMm)).toBeCloseTo(0, 9);
    expect(drawLabelSvg(label, other)).toContain(`width="${other.widthMm}mm" height="${other.heightMm}mm"`);
  });

  test('the labels of a rack are pages of one PDF, each read as its bin by a scanner', async () => {
    const bins = ['A', 'A01', 'A02'].map((tag) => ({ tag, code: `BIN-${tag}`, title: 'any part', fact: 'row 1' }));
    const pdf = await writeLabelPdf(bins, paper);
    expect(pdf.toString('latin1').match(/\/Type \/Page\b/g)?.length).toBe(3);
    const codes = await Promise.all(picturesOf(pdf).map((picture) => readCode(picture)));
    expect(codes.flat().sort()).toEqual(['BIN-A', 'BIN-A01', 'BIN-A02']);
    expect(codes.flat().map(readBinCode).sort()).toEqual(['A', 'A01', 'A02']);
  });

  test.each(['U-0747', 'P-20639', 'S-0012'])('a scanner reads %s off the PDF', async (tag) => {
    const [code] = picturesOf(await writeLabelPdf([{ ...label, tag }], paper));
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
