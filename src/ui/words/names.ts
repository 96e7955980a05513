import type { DifferenceKind } from '@/core/intake/parcelDifferences';
import type { CostRule } from '@/core/shared/costRule';
import type {
  ApartPlace,
  DefectCode,
  Disposition,
  Knot,
  PartPlace,
  PartState,
  ScrewTroubleKind,
  UnitStage,
  LetGoCause,
} from '@/core/bench/stages';
import type { EventType } from '@/core/bench/events';
import type { DeviceTest, Finding, JointKind } from '@/core/procedure/vocabulary';

/** The words of the bench for the codes of the core. */
export const knotNames: Readonly<Record<Knot, string>> = {
  dock: 'Dock',
  triage: 'Triage',
  teardown: 'Teardown',
  grade: 'Grade',
  shelf: 'Shelf',
  match: 'Match',
  rebuild: 'Rebuild',
  prove: 'Prove',
  send: 'Send',
};

export const stageNames: Readonly<Record<UnitStage, string>> = {
  triage: 'triage',
  teardown: 'teardown',
  match: 'match',
  rebuild: 'rebuild',
  prove: 'prove',
  send: 'ready to send',
  sent: 'sent',
  spent: 'taken for parts',
  recycled: 'recycled',
  'kept-apart': 'kept apart',
};

export const placeNames: Readonly<Record<PartPlace, string>> = {
  grade: 'waits for a grade',
  'to-shelve': 'waits for a bin',
  shelf: 'on the shelf',
  assigned: 'set aside for a unit',
  fitted: 'built in',
  scrap: 'scrap',
  hazard: 'in the fire-safe place',
};

export const dispositionNames: Readonly<Record<Disposition, string>> = {
  build: 'Build',
  donor: 'Donor',
  'as-is': 'Sell as it is',
  recycle: 'Recycle',
  quarantine: 'Keep apart',
};

/** The same as an order, for the button that does it. */
export const dispositionOrders: Readonly<Record<Disposition, string>> = {
  build: 'Build it',
  donor: 'Make it a donor',
  'as-is': 'Sell it as it is',
  recycle: 'Recycle it',
  quarantine: 'Keep it apart',
};

export const apartNames: Readonly<Record<ApartPlace, string>> = {
  hazard: 'hazard',
  ownership: 'ownership',
  'unknown-model': 'unknown model',
};

export const testNames: Readonly<Record<DeviceTest, string>> = {
  starts: 'Starts',
  charges: 'Charges',
  picture: 'Picture',
  touch: 'Touch',
  keys: 'Keys',
  sound: 'Sound',
  cameras: 'Cameras',
  radios: 'Radios',
  ports: 'Ports',
  'account-lock': 'Unlocked',
  'firmware-lock': 'Firmware open',
};

export const findingNames: Readonly<Record<Finding, string>> = {
  crack: 'crack',
  dent: 'dent',
  liquid: 'liquid',
  swelling: 'swelling',
  'screw-missing': 'screw missing',
  'opened-before': 'opened before',
  'part-missing': 'part missing',
};

/** Where a parcel differs from its list, in words. */
export const differenceNames: Readonly<Record<DifferenceKind, string>> = {
  missing: 'missing',
  'not-on-list': 'not on the list',
  'other-model': 'of another model',
  'other-serial': 'with another serial',
  locked: 'locked',
};

export const differenceWords: Readonly<Record<DifferenceKind, (promised: string, came: string) => string>> = {
  missing: (promised) => `${promised} did not come`,
  'not-on-list': (_, came) => `${came} was not on the list`,
  'other-model': (promised, came) => `${promised} is a ${came}`,
  'other-serial': (promised, came) => `${promised} has serial ${came}`,
  locked: (promised) => `${promised} is locked to an account`,
};

export const letGoNames: Readonly<Record<LetGoCause, string>> = {
  'made-safe': 'Safe: back to triage',
  'lock-removed': 'Lock removed: back to triage',
  'owner-agrees': 'Owner agrees: back to triage',
  'model-known': 'Model known: back to triage',
  disposed: 'Handed over for disposal',
};

export const costRuleNames: Readonly<Record<CostRule, string>> = {
  even: 'even',
  'by-value': 'by what each brings',
  'by-model': 'by list price',
};

export const partStateNames: Readonly<Record<PartState, string>> = {
  sound: 'sound',
  suspect: 'suspect',
  'broken-before': 'broken before',
  'broken-by-us': 'broken by us',
  missing: 'missing',
};

export const defectNames: Readonly<Record<DefectCode, string>> = {
  'flex-torn': 'flex torn',
  'connector-lifted': 'connector lifted',
  'panel-cracked': 'panel cracked',
  'cover-cracked': 'cover cracked',
  'clip-broken': 'clip broken',
  'cell-bent': 'cell bent',
  'wire-torn': 'wire torn',
  'liquid-found': 'liquid found',
  'earlier-repair': 'earlier repair',
  'screw-too-long': 'screw too long',
};

export const screwTroubleNames: Readonly<Record<ScrewTroubleKind, string>> = {
  missing: 'missing',
  stripped: 'stripped',
  foreign: 'foreign',
  short: 'too short',
  stuck: 'stuck',
};

export const eventNames: Readonly<Record<EventType, string>> = {
  'parcel-made': 'parcel made',
  'lines-expected': 'list read',
  'unit-tagged': 'tagged',
  'unit-identified': 'identified',
  'mark-placed': 'mark placed',
  'photo-taken': 'photo taken',
  'test-noted': 'test noted',
  'wipe-recorded': 'wiped',
  'unit-decided': 'decided',
  'unit-set-apart': 'to the fire-safe place',
  'unit-let-go': 'let go',
  'cost-spread': 'cost spread anew',
  'parcel-counted': 'box counted',
  'sheet-started': 'run sheet started',
  'sheet-replanned': 'run sheet planned anew',
  'step-resisted': 'a joint resisted',
  'step-done': 'step done',
  'step-skipped': 'step passed over',
  'wait-begun': 'waits on a fixture',
  'torque-read': 'torque read',
  'reuse-judged': 'judged for use again',
  'note-written': 'noted',
  'hazard-cleared': 'said to be safe',
  'part-trouble': 'part in trouble',
  'screw-trouble': 'screw in trouble',
  'gate-judged': 'gate judged',
  'sheet-closed': 'run sheet closed',
  'part-graded': 'graded',
  'part-shelved': 'put in a bin',
  'part-scrapped': 'scrapped',
  'part-assigned': 'part set aside',
  'part-released': 'part put back',
  'unit-matched': 'matched',
  'proof-noted': 'proof noted',
  'unit-proven': 'released for sale',
  'unit-reworked': 'back to match',
  'unit-sent': 'sent',
  undone: 'taken back',
};

/** Joints as the bench speaks of one, with what to mind. */
export const jointPhrases: Readonly<Record<JointKind, string>> = {
  screw: 'screw',
  clip: 'row of clips',
  tape: 'taped seam',
  plug: 'plug, lifted at its rim',
  ribbon: 'ribbon, lock first',
  tab: 'tab',
  coaxial: 'aerial snap',
  latch: 'spring latch',
  sheet: 'adhesive sheet',
  glue: 'bead of glue',
  strip: 'pull strip',
  'board-plug': 'board plug, by feel',
  'cable-latch': 'cable latch',
  solder: 'solder joint',
  foil: 'conductive foil',
  channel: 'cable in its channel',
  threaded: 'threaded cable',
  cap: 'cap',
};
