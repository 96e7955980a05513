import { say as saySheet } from '@/words/catalogue/core/sheet';
import { list } from '@/words/format';
import { say } from '@/words/catalogue/core/sheet';
import bwipjs from 'bwip-js/node';
import { isScrew } from '@/core/procedure/joints';
import { screwName } from '@/core/procedure/drives';
import { tighteningOrder } from '@/core/screws/tighteningOrder';
import type { RunSheet } from '@/core/teardown/sheet/runSheet';
import { discard } from '@/core/screws/placeScrews';
import { testNames } from '@/words/say/names';
import { sayCue } from '@/words/say/sayHands';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import { mm, openPdf } from './openPdf';
import * as texts from '@/words/catalogue/papers';

/** A run sheet to lay beside the unit where no screen is. */
export interface PrintedSheet {
  readonly tag: string;
  readonly title: string;
  readonly wanted: readonly string[];
  readonly sheet: RunSheet;
  readonly doneStepIds: readonly string[];
  /** Names of faces by id. */
  readonly faces: Readonly<Record<string, string>>;
}

const ink = '#1B2A2B';
const muted = '#55625F';
const rule = '#D8CDB8';
const danger = '#A2351F';
const page = { left: 18, right: 192, top: 16, bottom: 278 } as const;

/** A4, as many pages as it takes: tray map first, then every step with its cautions, and a box to tick. */
export async function writeRunSheet({ tag, title, wanted, sheet, doneStepIds, faces }: PrintedSheet): Promise<Buffer> {
  const { document, finish } = openPdf({ size: 'A4', margin: mm(page.top), bufferPages: true });
  const code = await bwipjs.toBuffer({ bcid: 'datamatrix', text: tag, scale: 6 });
  document.image(code, mm(page.right - 18), mm(page.top), { width: mm(18) });
  document.fillColor(ink).font('mono').fontSize(22).text(tag, mm(page.left), mm(page.top));
  document
    .font('bold')
    .fontSize(15)
    .text(title, mm(page.left), mm(page.top + 11), { width: mm(150) });
  document
    .font('body')
    .fontSize(10.5)
    .text(
      texts.forToMinLayOut({
        wanted: list(wanted),
        low: Math.round(sheet.minutes.low),
        high: Math.round(sheet.minutes.high),
        handsAreEnough: list(sheet.tools) || texts.noTools(),
        name:
          sheet.consumables.length > 0
            ? `; ${list(sheet.consumables.map(({ name, count }) => `${count} × ${name}`))}`
            : '',
      }),
      mm(page.left),
      document.y + mm(1),
      { width: mm(150) },
    );
  let y = Math.max(document.y / mm(1) + 5, page.top + 24);
  y = trayMap(document, sheet, y);
  let face = '';
  for (const [index, step] of sheet.steps.entries()) {
    const words = faces[step.face] ?? step.face;
    const needed = heightOf(document, step) + (words === face ? 0 : 7);
    if (y + needed > page.bottom) {
      document.addPage();
      y = page.top;
    }
    if (words !== face) {
      face = words;
      document.font('bold').fontSize(9).fillColor(muted).text(words, mm(page.left), mm(y));
      y += 6;
    }
    y = drawStep(document, step, index + 1, doneStepIds.includes(step.id), y);
  }
  const { count } = document.bufferedPageRange();
  for (let at = 0; at < count; at += 1) {
    document.switchToPage(at);
    // Below the margin a new page would be begun for it.
    document.page.margins.bottom = 0;
    document
      .font('body')
      .fontSize(8.5)
      .fillColor(muted)
      .text(texts.pageLocalCodesAndLicensed({ tag, value: at + 1, count }), mm(page.left), mm(286), {
        lineBreak: false,
      });
  }
  return finish();
}

/** Where the screws of each step go, cup by cup. */
function trayMap(document: PDFKit.PDFDocument, { cups, keeping, screwCount }: RunSheet, from: number): number {
  if (cups.length === 0) return from;
  const holder = { tray: texts.tray(), mat: texts.mat(), piles: texts.piles() }[keeping];
  document.font('bold').fontSize(11).fillColor(ink).text(texts.screws({ holder, screwCount }), mm(page.left), mm(from));
  const width = 28;
  const perRow = 6;
  const top = from + 6;
  for (const [at, { cup, group }] of cups.entries()) {
    const x = page.left + (at % perRow) * (width + 1.2);
    const y = top + Math.floor(at / perRow) * 13;
    document.roundedRect(mm(x), mm(y), mm(width), mm(11.5), mm(2)).lineWidth(0.6).stroke(rule);
    document
      .font('bold')
      .fontSize(11)
      .fillColor(ink)
      .text(cup === discard ? texts.usedUp() : String(cup), mm(x + 2), mm(y + 1.2), { lineBreak: false });
    document
      .font('body')
      .fontSize(9)
      .text(`${group.count} × ${group.kind === 'cap' ? texts.caps() : screwName(group)}`, mm(x + 2), mm(y + 6.4), {
        lineBreak: false,
      });
  }
  return top + Math.ceil(cups.length / perRow) * 13 + 4;
}

const textWidth = mm(page.right - page.left - 16);

function notesOf({
  joints,
  cups,
  leg,
  wait,
  consumables,
  needsCertificate,
  tool,
  posture,
  hands,
  tests,
}: SheetStep): string {
  const screws = joints.filter(isScrew);
  const captive = screws.filter(({ isCaptive }) => isCaptive).length;
  const order = leg === 'back' ? tighteningOrder(screws) : [];
  const torque = [
    ...new Set(screws.flatMap((screw) => (screw.torqueNewtonCm ? [`${screw.torqueNewtonCm.aim} N·cm`] : []))),
  ];
  return [
    tool,
    ...(posture ? [posture] : []),
    ...(hands?.helper === undefined ? [] : [texts.secondHand({ does: hands.helper })]),
    ...cups.map(({ cup, group }) =>
      texts.cup({
        count: group.count,
        group: group.kind === 'cap' ? texts.caps() : screwName(group),
        cup,
        isKept: cup === discard ? 'no' : 'yes',
      }),
    ),
    ...(captive > 0 ? [texts.captive({ count: captive })] : []),
    ...tests.map((test) => testNames[test]),
    ...(hands?.cues ?? []).map(sayCue),
    ...(order.length > 1 ? [texts.startAllScrewsAlignThen()] : []),
    ...(leg === 'back' && torque.length > 0 ? [torque.join(', ')] : []),
    ...(wait ? [texts.minOn({ minutesValue: wait.minutes, fixture: wait.fixture, what: saySheet(wait.what) })] : []),
    ...consumables.map(({ name, count }) => texts.renew({ count, name: saySheet(name) })),
    ...(needsCertificate ? [texts.onlyForCertifiedPeople()] : []),
  ].join(' · ');
}

function heightOf(document: PDFKit.PDFDocument, step: SheetStep): number {
  const of = (font: string, size: number, text: string) =>
    document.font(font).fontSize(size).heightOfString(text, { width: textWidth }) / mm(1);
  return (
    of('bold', 11.5, say(step.title)) +
    of('body', 10, say(step.detail)) +
    of('body', 9, notesOf(step)) +
    step.cautions.reduce((sum, { what, instead }) => sum + of('bold', 10, `${what} ${instead}`) + 1, 0) +
    5
  );
}

function drawStep(
  document: PDFKit.PDFDocument,
  step: SheetStep,
  number: number,
  isDone: boolean,
  from: number,
): number {
  const x = mm(page.left + 16);
  const box = document.rect(mm(page.left), mm(from + 0.6), mm(4.5), mm(4.5)).lineWidth(0.8);
  if (isDone) box.fillAndStroke(rule, ink);
  else box.stroke(ink);
  document
    .font('mono')
    .fontSize(10)
    .fillColor(muted)
    .text(String(number), mm(page.left + 6.5), mm(from + 0.8), { lineBreak: false });
  document
    .font('bold')
    .fontSize(11.5)
    .fillColor(step.leg === 'gate' ? danger : ink)
    .text(say(step.title), x, mm(from), { width: textWidth });
  document.font('body').fontSize(10).fillColor(ink).text(say(step.detail), x, document.y, { width: textWidth });
  for (const { what, instead } of step.cautions) {
    document
      .font('bold')
      .fontSize(10)
      .fillColor(danger)
      .text(`${texts.caution({ what })} `, x, document.y + mm(0.5), { width: textWidth, continued: true })
      .font('body')
      .fillColor(ink)
      .text(instead);
  }
  document.font('body').fontSize(9).fillColor(muted).text(notesOf(step), x, document.y, { width: textWidth });
  return document.y / mm(1) + 3;
}
