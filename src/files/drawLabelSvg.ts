import bwipjs from 'bwip-js/node';
import { labelMm, type LabelContent, type LabelPaper } from './labelContent';
import { labelOf } from '@/words/catalogue/papers';

/** A label as SVG with a Data Matrix code that a scanner reads as the tag. Sizes are in millimetres. */
export function drawLabelSvg(
  { tag, code = tag, title, fact }: LabelContent,
  { widthMm, heightMm }: LabelPaper,
): string {
  const drawn = bwipjs.toSVG({ bcid: 'datamatrix', text: code, scale: 1, paddingwidth: 0, paddingheight: 0 });
  const box = /viewBox="0 0 (\d+(?:\.\d+)?) (\d+(?:\.\d+)?)"/.exec(drawn);
  const size = Number(box?.[1] ?? 1);
  const inner = drawn.replace(/^[\s\S]*?<svg[^>]*>/, '').replace(/<\/svg>\s*$/, '');
  const { width, height } = labelMm;
  const titleLines = broken(title, titleLetters)
    .map(
      (line, at) =>
        `<text x="36" y="${19 + at * 4.4}" font-family="sans-serif" font-size="3.6" fill="#1B2A2B">${escapeXml(line)}</text>`,
    )
    .join('\n');
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${widthMm}mm" height="${heightMm}mm" viewBox="0 0 ${width} ${height}" role="img" aria-label="${labelOf({ tag })}">
<path d="M8 1 H69 V35 H8 L1 28 V8 Z" fill="#fff" stroke="#1B2A2B" stroke-width="0.4"/>
<circle cx="5.4" cy="18" r="1.8" fill="none" stroke="#1B2A2B" stroke-width="0.4"/>
<g transform="translate(10 7) scale(${22 / size})">${inner}</g>
<text x="36" y="13" font-family="monospace" font-size="7" font-weight="700" fill="#1B2A2B">${escapeXml(tag)}</text>
${titleLines}
<text x="36" y="29" font-family="sans-serif" font-size="3" fill="#1B2A2B">${escapeXml(fact.slice(0, factLetters))}</text>
</svg>`;
}

/** What fits beside the code, in any sans serif that a viewer may have. */
const titleLetters = 16;
const factLetters = 20;

/** A text in at most two lines, broken between words; what is longer ends in an ellipsis. */
function broken(text: string, letters: number): readonly string[] {
  const lines: string[] = [''];
  for (const word of text.split(' ')) {
    const longer = `${lines.at(-1)} ${word}`.trim();
    if (longer.length <= letters || lines.at(-1) === '') lines[lines.length - 1] = longer;
    else lines.push(word);
  }
  const [first = '', ...rest] = lines;
  const second = rest.join(' ');
  return [first, second].flatMap((line) =>
    line === '' ? [] : [line.length > letters ? `${line.slice(0, letters - 1)}…` : line],
  );
}

const escapeXml = (text: string): string => text.replace(/[&<>"]/g, (sign) => `&#${sign.charCodeAt(0)};`);
