import bwipjs from 'bwip-js/node';
import { labelMm, type LabelContent } from './labelContent';

/** A label as SVG with a Data Matrix code that a scanner reads as the tag. Sizes are in millimetres. */
export function drawLabelSvg({ tag, title, fact }: LabelContent): string {
  const code = bwipjs.toSVG({ bcid: 'datamatrix', text: tag, scale: 1, paddingwidth: 0, paddingheight: 0 });
  const box = /viewBox="0 0 (\d+(?:\.\d+)?) (\d+(?:\.\d+)?)"/.exec(code);
  const size = Number(box?.[1] ?? 1);
  const inner = code.replace(/^[\s\S]*?<svg[^>]*>/, '').replace(/<\/svg>\s*$/, '');
  const { width, height } = labelMm;
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="0 0 ${width} ${height}" role="img" aria-label="Label ${tag}">
<path d="M8 1 H69 V35 H8 L1 28 V8 Z" fill="#fff" stroke="#1B2A2B" stroke-width="0.4"/>
<circle cx="5.4" cy="18" r="1.8" fill="none" stroke="#1B2A2B" stroke-width="0.4"/>
<g transform="translate(10 7) scale(${22 / size})">${inner}</g>
<text x="36" y="13" font-family="monospace" font-size="7" font-weight="700" fill="#1B2A2B">${escapeXml(tag)}</text>
<text x="36" y="20.5" font-family="sans-serif" font-size="3.6" fill="#1B2A2B">${escapeXml(title.slice(0, 22))}</text>
<text x="36" y="26" font-family="sans-serif" font-size="3" fill="#1B2A2B">${escapeXml(fact.slice(0, 28))}</text>
</svg>`;
}

const escapeXml = (text: string): string => text.replace(/[&<>"]/g, (sign) => `&#${sign.charCodeAt(0)};`);
