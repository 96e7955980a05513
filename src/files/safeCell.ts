/**
 * A cell of a table as a text and nothing else: a spreadsheet would compute one that begins like a formula, so such a cell
 * gets an apostrophe in front. Amounts, which may begin with a minus, are left alone.
 */
export function safeCell(text: string): string {
  const isAmount = /^[-+]?\d+(?:[.,]\d+)?$/.test(text);
  return !isAmount && /^[=+\-@\t\r]/.test(text) ? `'${text}` : text;
}
