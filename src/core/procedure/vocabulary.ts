/** The words a model document is written in. The JSON Schema in docs/formats lists the same (tested). */
export const deviceKinds = ['phone', 'tablet', 'laptop', 'handheld'] as const;
export type DeviceKind = (typeof deviceKinds)[number];

export const partCategories = [
  'battery',
  'display',
  'board',
  'camera',
  'speaker',
  'microphone',
  'port',
  'keys',
  'touchpad',
  'housing',
  'motor',
  'drive',
  'memory',
  'cover',
  'sensor',
  'hinge',
  'cable',
  'tray',
  'cooling',
  'aerial',
  'clock-cell',
  'cable-set',
] as const;
export type PartCategory = (typeof partCategories)[number];

export const jointKinds = [
  'screw',
  'clip',
  'tape',
  'plug',
  'ribbon',
  'tab',
  'coaxial',
  'latch',
  'sheet',
  'glue',
  'strip',
  'board-plug',
  'cable-latch',
  'solder',
  'foil',
  'channel',
  'threaded',
  'cap',
  'socket',
  'half-turn',
  'press-fit',
] as const;
export type JointKind = (typeof jointKinds)[number];

/** Joints that carry current or signals: they are opened with the power off. */
export const electricalKinds: readonly JointKind[] = [
  'plug',
  'ribbon',
  'coaxial',
  'board-plug',
  'solder',
  'socket',
  'cable-latch',
];

export const ribbonLocks = ['flip', 'slide'] as const;
export type RibbonLock = (typeof ribbonLocks)[number];

/** What the head of a screw looks like from the side. */
export const headForms = ['pan', 'flat', 'countersunk', 'raised', 'cylinder', 'hexagon'] as const;
export type HeadForm = (typeof headForms)[number];

/** What may be printed beside a hole instead of a letter or a number. */
export const markShapes = ['triangle', 'circle', 'square'] as const;
export type MarkShape = (typeof markShapes)[number];

export const markColours = ['white', 'black', 'red', 'yellow', 'blue'] as const;
export type MarkColour = (typeof markColours)[number];

export const arcReasons = ['physical', 'protective', 'house'] as const;
export type ArcReason = (typeof arcReasons)[number];

export const motions = ['lift', 'slide', 'hinge', 'rotate', 'twist', 'draw-out', 'none'] as const;
export type Motion = (typeof motions)[number];

/** What is seen on a unit; marks at triage, and conditions of operations. */
export const findings = [
  'crack',
  'dent',
  'liquid',
  'swelling',
  'screw-missing',
  'opened-before',
  'part-missing',
] as const;
export type Finding = (typeof findings)[number];

/** Quick tests at triage and proof before sale. */
export const deviceTests = [
  'starts',
  'charges',
  'picture',
  'touch',
  'keys',
  'sound',
  'cameras',
  'radios',
  'ports',
  'account-lock',
  'firmware-lock',
  'gives-charge',
  'vibration',
  'microphone',
  'front-camera',
  'sensors',
  'service',
  'scan',
] as const;
export type DeviceTest = (typeof deviceTests)[number];

/** Tests that ask whose a unit is, not whether it works. */
export const lockTests: readonly DeviceTest[] = ['account-lock', 'firmware-lock'];

export const testResults = ['sound', 'fault', 'not-tested'] as const;
export type TestResult = (typeof testResults)[number];

export const slotKinds = ['cosmetic', 'functional'] as const;
export type SlotKind = (typeof slotKinds)[number];

export const hazardKinds = ['cell', 'glass', 'spring', 'high-voltage', 'blade'] as const;
export type HazardKind = (typeof hazardKinds)[number];

/** What a tool is, for the rules about where it may go. */
export const toolKinds = ['hand', 'driver', 'plastic', 'metal', 'blade', 'heat', 'solvent', 'other'] as const;
export type ToolKind = (typeof toolKinds)[number];

/** What may not go into a zone; every tool unless it says otherwise. */
export const forbiddenKinds = ['tool', 'metal', 'heat'] as const;
export type ForbiddenKind = (typeof forbiddenKinds)[number];

export const indicatorKinds = ['liquid', 'gasket', 'paste', 'seal'] as const;
export type IndicatorKind = (typeof indicatorKinds)[number];

export const cueKinds = ['click', 'flush', 'latch', 'lamp', 'sound', 'picture'] as const;
export type CueKind = (typeof cueKinds)[number];

export const heatSources = ['hot plate', 'hot air', 'dryer'] as const;
export type HeatSource = (typeof heatSources)[number];

/** What lies between what warms and what must not get too warm. */
export const heatMaterials = [
  'glass',
  'plastic',
  'aluminium',
  'steel',
  'display',
  'adhesive',
  'foam',
  'air',
  'graphite',
  'cell',
] as const;
export type HeatMaterial = (typeof heatMaterials)[number];

/** What must be off before the current of a second source is off: everything, or what it feeds by itself. */
export const powerReaches = ['everything', 'its-own'] as const;
export type PowerReach = (typeof powerReaches)[number];

export const hands = ['left', 'right', 'both'] as const;
export type Hand = (typeof hands)[number];
