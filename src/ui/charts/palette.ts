export interface Palette {
  readonly ink: string;
  readonly inkMuted: string;
  readonly rule: string;
  readonly twine: string;
  readonly danger: string;
  readonly action: string;
  readonly sound: string;
  readonly paper: string;
  readonly font: string;
}

/** The theme's colours as they are now: a chart is drawn outside the style system and cannot use its names. */
export function readPalette(element: Element): Palette {
  const style = getComputedStyle(element);
  const colour = (name: string) => style.getPropertyValue(`--chakra-colors-${name}`).trim() || 'currentColor';
  return {
    ink: colour('ink'),
    inkMuted: colour('ink-muted'),
    rule: colour('rule'),
    twine: colour('twine'),
    danger: colour('danger'),
    action: colour('action'),
    sound: colour('sound'),
    paper: colour('paper'),
    font: style.fontFamily,
  };
}
