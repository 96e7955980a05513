/** What documents of models call their tools as a rule: proposed where one is typed. Part of the document, not of a screen. */
export const usualTools = [
  'Hands',
  'Plastic pick',
  'Thin pick',
  'Tweezers',
  'Hot plate',
  'Hot air',
  'Cross-recess driver PH00',
  'Cross-recess driver PH000',
  'Hexalobular driver T5',
] as const;

/** What nearly every device has. */
export const usualThings = [
  'back cover',
  'battery',
  'board',
  'display',
  'camera',
  'speaker',
  'port board',
  'keypad',
  'motor',
  'card tray',
  'front shell',
] as const;
