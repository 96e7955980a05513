import PDFDocument from 'pdfkit';
import { join } from 'node:path';

/** Millimetres in PDF points. */
export const mm = (length: number): number => (length * 72) / 25.4;

const fonts = join(process.cwd(), 'node_modules', '@fontsource');

/** A PDF with the application's own fonts embedded, under the names body, bold and mono. */
export function openPdf(options: PDFKit.PDFDocumentOptions): {
  readonly document: PDFKit.PDFDocument;
  readonly finish: () => Promise<Buffer>;
} {
  const document = new PDFDocument(options);
  const next = join(fonts, 'atkinson-hyperlegible-next', 'files', 'atkinson-hyperlegible-next-latin');
  document.registerFont('body', `${next}-400-normal.woff`);
  document.registerFont('bold', `${next}-700-normal.woff`);
  document.registerFont(
    'mono',
    join(fonts, 'atkinson-hyperlegible-mono', 'files', 'atkinson-hyperlegible-mono-latin-700-normal.woff'),
  );
  const chunks: Buffer[] = [];
  const ended = new Promise<Buffer>((settle, fail) => {
    document.on('data', (chunk: Buffer) => chunks.push(chunk));
    document.on('end', () => settle(Buffer.concat(chunks)));
    document.on('error', fail);
  });
  return {
    document,
    finish: () => {
      document.end();
      return ended;
    },
  };
}
