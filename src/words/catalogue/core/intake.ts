// Made from words/en/core/intake.json by `npm run words`. Change it there.
import { l, select, type Text } from '@/words/runtime';
import { sayer } from '@/words/sayer';

export const cellsUnderHeadingsThereSeparator = (d: { cellCount: Text; headCount: Text }) => l`${d.cellCount} cells under ${d.headCount} headings. Is there a separator inside an unquoted text?`;
export const lineNumberNotWholeNumber = () => l`The line number is not a whole number from 1.`;
export const lineNumberOccursTwice = (d: { lineNo: Text }) => l`Line number ${d.lineNo} occurs twice.`;
export const makerEmpty = () => l`The maker is empty.`;
export const modelEmpty = () => l`The model is empty.`;
export const longerThanCharacters = (d: { column: Text; most: Text }) => l`The ${d.column} is longer than ${d.most} characters.`;
export const hasCharactersThatCouldNot = () => l`It has characters that could not be read.`;
export const serialAlsoOnLineFile = (d: { serial: Text; line: Text }) => l`Serial ${d.serial} is also on line ${d.line} of the file.`;
export const unitWithSerialAlreadyIn = (d: { serial: Text }) => l`A unit with serial ${d.serial} is already in the shop.`;
export const nothing = () => l`nothing`;
export const lockedUnit = () => l`locked`;
export const notIdentified = (d: { serial: string }) => l`${select(d.serial, { "none": l`not identified`, "other": l`not identified, ${d.serial}` })}`;

export const all: Readonly<Record<string, (d: never) => string>> = { cellsUnderHeadingsThereSeparator, lineNumberNotWholeNumber, lineNumberOccursTwice, makerEmpty, modelEmpty, longerThanCharacters, hasCharactersThatCouldNot, serialAlsoOnLineFile, unitWithSerialAlreadyIn, nothing, lockedUnit, notIdentified };

/** What the core found out, as a sentence. */
export const say = sayer<'intake'>({
  intake: all,
});
