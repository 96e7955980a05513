import type { PartCategory } from '@/core/procedure/vocabulary';

/** Ways out of the shop for what nobody can use again, each with its own rules. */
export const streams = ['cells', 'boards', 'screens', 'magnets', 'mixed'] as const;
export type Stream = (typeof streams)[number];

const streamOf: Readonly<Record<PartCategory, Stream>> = {
  battery: 'cells',
  'clock-cell': 'cells',
  board: 'boards',
  memory: 'boards',
  drive: 'boards',
  port: 'boards',
  camera: 'boards',
  sensor: 'boards',
  microphone: 'boards',
  aerial: 'boards',
  cable: 'boards',
  'cable-set': 'boards',
  display: 'screens',
  speaker: 'magnets',
  motor: 'magnets',
  keys: 'mixed',
  touchpad: 'boards',
  housing: 'mixed',
  cover: 'mixed',
  hinge: 'mixed',
  tray: 'mixed',
  cooling: 'mixed',
};

/** Which way a scrapped part goes. What lies in the fire-safe place is hazardous whatever it is. */
export const streamOfPart = (category: PartCategory): Stream => streamOf[category];
