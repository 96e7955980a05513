/**
 * Keys for the rows of a list, in their order: digits, then the letters that nothing else on the screen has. A row
 * beyond those has none, and is reached with Tab.
 *
 * @param taken  letters that the screen uses otherwise
 */
export const rowKeys = (taken = ''): readonly string[] =>
  [...'123456789abcdefghijklmnopqrstuvwxyz'].filter((key) => !taken.includes(key));
