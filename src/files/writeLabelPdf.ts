import bwipjs from 'bwip-js/node';
import { fitted, type LabelContent, type LabelPaper } from './labelContent';
import { mm, openPdf } from './openPdf';

/** Labels as a PDF, each on a page of the paper's size. */
export async function writeLabelPdf(labels: readonly LabelContent[], paper: LabelPaper): Promise<Buffer> {
  const page = { size: [mm(paper.widthMm), mm(paper.heightMm)] as [number, number], margin: 0 };
  const { document, finish } = openPdf({ ...page, autoFirstPage: false });
  for (const label of labels) {
    document.addPage(page);
    await drawLabel(document, label, paper);
  }
  return finish();
}

async function drawLabel(
  document: PDFKit.PDFDocument,
  { tag, code = tag, title, fact }: LabelContent,
  paper: LabelPaper,
): Promise<void> {
  const { scale, leftMm, topMm } = fitted(paper);
  document.translate(mm(leftMm), mm(topMm)).scale(scale);
  const drawn = await bwipjs.toBuffer({ bcid: 'datamatrix', text: code, scale: 8 });
  document
    .moveTo(mm(8), mm(1))
    .lineTo(mm(69), mm(1))
    .lineTo(mm(69), mm(35))
    .lineTo(mm(8), mm(35))
    .lineTo(mm(1), mm(28))
    .lineTo(mm(1), mm(8))
    .closePath()
    .lineWidth(0.8)
    .stroke('#1B2A2B');
  document.circle(mm(5.4), mm(18), mm(1.8)).stroke();
  document.image(drawn, mm(10), mm(7), { width: mm(22), height: mm(22) });
  document.fillColor('#1B2A2B').font('mono').fontSize(19).text(tag, mm(36), mm(7), { lineBreak: false });
  document
    .font('body')
    .fontSize(10)
    .text(title, mm(36), mm(17), { width: mm(32), height: mm(8), ellipsis: true });
  document.fontSize(8).text(fact, mm(36), mm(26), { width: mm(32), height: mm(8), ellipsis: true });
}
