const letters = (all: string) => [...all].map((letter) => `Key${letter}`);

/** Keys of a keyboard as they lie, by the codes of the UI Events standard: what is printed on them differs, where they lie does not. */
export const keyRows: readonly (readonly string[])[] = [
  ['Escape', ...Array.from({ length: 12 }, (_, at) => `F${at + 1}`)],
  ['Backquote', ...[...'1234567890'].map((digit) => `Digit${digit}`), 'Minus', 'Equal', 'Backspace'],
  ['Tab', ...letters('QWERTYUIOP'), 'BracketLeft', 'BracketRight', 'Backslash'],
  ['CapsLock', ...letters('ASDFGHJKL'), 'Semicolon', 'Quote', 'Enter'],
  ['ShiftLeft', 'IntlBackslash', ...letters('ZXCVBNM'), 'Comma', 'Period', 'Slash', 'ShiftRight'],
  ['ControlLeft', 'MetaLeft', 'AltLeft', 'Space', 'AltRight', 'ControlRight'],
  ['ArrowLeft', 'ArrowUp', 'ArrowDown', 'ArrowRight'],
];

const signs: Readonly<Record<string, string>> = {
  Escape: 'Esc',
  Backquote: '`',
  Minus: '-',
  Equal: '=',
  Backspace: '⌫',
  Tab: '⇥',
  BracketLeft: '[',
  BracketRight: ']',
  Backslash: '\\',
  CapsLock: '⇪',
  Semicolon: ';',
  Quote: "'",
  Enter: '⏎',
  ShiftLeft: '⇧',
  ShiftRight: '⇧ R',
  IntlBackslash: '<',
  Comma: ',',
  Period: '.',
  Slash: '/',
  ControlLeft: 'Ctrl',
  ControlRight: 'Ctrl R',
  MetaLeft: '◆',
  AltLeft: 'Alt',
  AltRight: 'Alt R',
  Space: '␣',
  ArrowLeft: '←',
  ArrowUp: '↑',
  ArrowDown: '↓',
  ArrowRight: '→',
};

export const keySign = (code: string): string => signs[code] ?? code.replace(/^(Key|Digit)/, '');
