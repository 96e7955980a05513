import { semanticColors } from './semanticTokens';

type Name = keyof typeof semanticColors;
type Theme = 'base' | '_dark';

/** Relative luminance by WCAG 2.2. */
function luminance(hex: string): number {
  const [red, green, blue] = [1, 3, 5].map((at) => {
    const share = Number.parseInt(hex.slice(at, at + 2), 16) / 255;
    return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
  }) as [number, number, number];
  return 0.2126 * red + 0.7152 * green + 0.0722 * blue;
}

function contrast(a: Name, b: Name, theme: Theme): number {
  const of = (name: Name) => luminance((semanticColors[name].value as Record<Theme, string>)[theme]);
  const [light, dark] = [of(a), of(b)].sort((x, y) => y - x) as [number, number];
  return (light + 0.05) / (dark + 0.05);
}

const texts: readonly (readonly [Name, Name])[] = [
  ['ink', 'paper'],
  ['ink', 'sheet'],
  ['ink', 'sunk'],
  ['ink', 'actionSoft'],
  ['ink', 'dangerSoft'],
  ['ink', 'waitingSoft'],
  ['ink', 'soundSoft'],
  ['inkMuted', 'paper'],
  ['inkMuted', 'sheet'],
  ['inkMuted', 'sunk'],
  ['inkMuted', 'actionSoft'],
  ['action', 'paper'],
  ['action', 'sheet'],
  ['action', 'actionSoft'],
  ['onAction', 'action'],
  ['danger', 'paper'],
  ['danger', 'sheet'],
  ['danger', 'dangerSoft'],
  ['onDanger', 'danger'],
  ['waiting', 'waitingSoft'],
  ['sound', 'soundSoft'],
];

const shapes: readonly (readonly [Name, Name])[] = [
  ['twine', 'paper'],
  ['twine', 'sheet'],
  ['action', 'paper'],
  ['danger', 'paper'],
  ['sound', 'paper'],
];

describe.each(['base', '_dark'] as const)('%s', (theme) => {
  test.each(texts)('%s is readable on %s', (text, ground) => {
    expect(contrast(text, ground, theme)).toBeGreaterThanOrEqual(4.5);
  });

  test.each(shapes)('%s stands out as a shape on %s', (shape, ground) => {
    expect(contrast(shape, ground, theme)).toBeGreaterThanOrEqual(3);
  });
});
