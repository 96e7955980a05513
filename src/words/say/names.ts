import type { Feature } from '@/core/procedure/features';
import type { DifferenceKind } from '@/core/intake/parcelDifferences';
import type { CostRule } from '@/core/shared/costRule';
import type {
  ApartPlace,
  DefectCode,
  Disposition,
  LineStage,
  PartPlace,
  PartState,
  ScrewTroubleKind,
  UnitStage,
  LetGoCause,
} from '@/core/entities/stages';
import type {
  ArcReason,
  DeviceKind,
  DeviceTest,
  Finding,
  JointKind,
  PartCategory,
  SlotKind,
  TestResult,
} from '@/core/procedure/vocabulary';
import type { Unit } from '@/core/entities/entities';
import type { Role } from '@/core/people/roles';
import * as words from '@/words/catalogue/names';

/** The words of the bench for the codes of the core. */
export const lineStageNames: Readonly<Record<LineStage, string>> = {
  dock: words.dock(),
  triage: words.triage(),
  teardown: words.teardown(),
  grade: words.grade(),
  shelf: words.shelf(),
  match: words.match(),
  rebuild: words.rebuild(),
  prove: words.prove(),
  send: words.send(),
};

export const stageNames: Readonly<Record<UnitStage, string>> = {
  triage: words.triage2(),
  teardown: words.teardown2(),
  match: words.match2(),
  rebuild: words.rebuild2(),
  prove: words.prove2(),
  send: words.readyToSend(),
  sent: words.sent(),
  spent: words.takenForParts(),
  recycled: words.recycled(),
  'kept-apart': words.keptApart(),
};

export const placeNames: Readonly<Record<PartPlace, string>> = {
  grade: words.waitsForAGrade(),
  'to-shelve': words.waitsForABin(),
  shelf: words.onTheShelf(),
  reserved: words.reservedOnTheShelf(),
  assigned: words.setAsideForAUnit(),
  fitted: words.builtIn(),
  lost: words.notFoundAtACount(),
  gone: words.handedOver(),
  scrap: words.scrap(),
  hazard: words.inTheFireSafePlace(),
};

export const dispositionNames: Readonly<Record<Disposition, string>> = {
  build: words.build(),
  donor: words.donor(),
  'as-is': words.sellAsItIs(),
  recycle: words.recycle(),
  quarantine: words.keepApart(),
};

/** The same as an order, for the button that does it. */
export const dispositionOrders: Readonly<Record<Disposition, string>> = {
  build: words.buildIt(),
  donor: words.makeItADonor(),
  'as-is': words.sellItAsItIs(),
  recycle: words.recycleIt(),
  quarantine: words.keepItApart(),
};

export const apartNames: Readonly<Record<ApartPlace, string>> = {
  hazard: words.hazard(),
  ownership: words.ownership(),
  'unknown-model': words.unknownModel(),
};

export const testNames: Readonly<Record<DeviceTest, string>> = {
  starts: words.starts(),
  charges: words.charges(),
  picture: words.picture(),
  touch: words.touch(),
  keys: words.keys(),
  sound: words.sound(),
  cameras: words.cameras(),
  radios: words.radios(),
  ports: words.ports(),
  'account-lock': words.unlocked(),
  'firmware-lock': words.firmwareOpen(),
  'gives-charge': words.givesCharge(),
  vibration: words.vibration(),
  microphone: words.microphone(),
  'front-camera': words.frontCamera(),
  sensors: words.sensors(),
  service: words.service(),
  scan: words.scan(),
};

export const resultNames: Readonly<Record<TestResult, string>> = {
  sound: words.resultSound(),
  fault: words.resultFault(),
  'not-tested': words.resultNotTested(),
};

export const findingNames: Readonly<Record<Finding, string>> = {
  crack: words.crack(),
  dent: words.dent(),
  liquid: words.liquid(),
  swelling: words.swelling(),
  'screw-missing': words.screwMissing(),
  'opened-before': words.openedBefore(),
  'part-missing': words.partMissing(),
};

/** Where a parcel differs from its list, in words. */
export const differenceNames: Readonly<Record<DifferenceKind, string>> = {
  missing: words.missing(),
  'not-on-list': words.notOnTheList(),
  'other-model': words.ofAnotherModel(),
  'other-serial': words.withAnotherSerial(),
  locked: words.locked(),
};

export const differenceWords: Readonly<Record<DifferenceKind, (promised: string, came: string) => string>> = {
  missing: (promised) => words.didNotCome({ promised }),
  'not-on-list': (_, came) => words.wasNotOnTheList({ came }),
  'other-model': (promised, came) => words.isA({ promised, came }),
  'other-serial': (promised, came) => words.hasSerial({ promised, came }),
  locked: (promised) => words.isLockedToAnAccount({ promised }),
};

export const letGoNames: Readonly<Record<LetGoCause, string>> = {
  'made-safe': words.safeBackToTriage(),
  'lock-removed': words.lockRemovedBackToTriage(),
  'owner-agrees': words.ownerAgreesBackToTriage(),
  'model-known': words.modelKnownBackToTriage(),
  disposed: words.handedOverForDisposal(),
};

export const costRuleNames: Readonly<Record<CostRule, string>> = {
  even: words.even(),
  'by-value': words.byWhatEachBrings(),
  'by-model': words.byListPrice(),
};

export const partStateNames: Readonly<Record<PartState, string>> = {
  sound: words.sound2(),
  suspect: words.suspect(),
  'broken-before': words.brokenBefore(),
  'broken-by-us': words.brokenByUs(),
  missing: words.missing(),
};

export const defectNames: Readonly<Record<DefectCode, string>> = {
  'flex-torn': words.flexTorn(),
  'connector-lifted': words.connectorLifted(),
  'panel-cracked': words.panelCracked(),
  'cover-cracked': words.coverCracked(),
  'clip-broken': words.clipBroken(),
  'cell-bent': words.cellBent(),
  'wire-torn': words.wireTorn(),
  'liquid-found': words.liquidFound(),
  'earlier-repair': words.earlierRepair(),
  'screw-too-long': words.screwTooLong(),
  'lock-broken': words.lockBroken(),
  'mount-broken': words.mountBroken(),
  'foil-torn': words.foilTorn(),
  scratched: words.scratched(),
  'head-stripped': words.headStripped(),
  'place-bent': words.placeBent(),
};

export const screwTroubleNames: Readonly<Record<ScrewTroubleKind, string>> = {
  missing: words.missing(),
  stripped: words.stripped(),
  foreign: words.foreign(),
  short: words.tooShort(),
  stuck: words.stuck(),
};

/** Joints as the bench speaks of one, with what to mind. */
export const jointPhrases: Readonly<Record<JointKind, string>> = {
  screw: words.screw(),
  clip: words.rowOfClips(),
  tape: words.tapedSeam(),
  plug: words.plugLiftedAtItsRim(),
  ribbon: words.ribbonLockFirst(),
  tab: words.tab(),
  coaxial: words.aerialSnap(),
  latch: words.springLatch(),
  sheet: words.adhesiveSheet(),
  glue: words.beadOfGlue(),
  strip: words.pullStrip(),
  'board-plug': words.boardPlugByFeel(),
  'cable-latch': words.cableLatch(),
  solder: words.solderJoint(),
  foil: words.conductiveFoil(),
  channel: words.cableInItsChannel(),
  threaded: words.threadedCable(),
  cap: words.cap(),
  socket: words.socket(),
  'half-turn': words.halfTurn(),
  'press-fit': words.pressFit(),
};

export const roleNames: Readonly<Record<Role, string>> = {
  viewer: words.viewer(),
  technician: words.technician(),
  lead: words.lead(),
};

/** What each may do. */
export const roleMays: Readonly<Record<Role, string>> = {
  viewer: words.viewerMay(),
  technician: words.technicianMay(),
  lead: words.leadMay(),
};

/** What sets a model apart, as people call it. */
export const featureNames: Readonly<Record<Feature, string>> = {
  'pull-strip': words.featurePullStrip(),
  'glued-cell': words.featureGluedCell(),
  'adhesive-sheet': words.featureAdhesiveSheet(),
  'blind-plug': words.featureBlindPlug(),
  'threaded-cable': words.featureThreadedCable(),
  'channel-cable': words.featureChannelCable(),
  'cable-latch': words.featureCableLatch(),
  solder: words.featureSolder(),
  'ground-foil': words.featureGroundFoil(),
  'spring-latch': words.featureSpringLatch(),
  'hidden-screws': words.featureHiddenScrews(),
  'stacked-fasteners': words.featureStackedFasteners(),
  'captive-screws': words.featureCaptiveScrews(),
  'single-use-screws': words.featureSingleUseScrews(),
  'springs-up': words.featureSpringsUp(),
  'bound-parts': words.featureBoundParts(),
  assembly: words.featureAssembly(),
  'second-power-source': words.featureSecondPowerSource(),
  'high-voltage': words.featureHighVoltage(),
  'seldom-survives': words.featureSeldomSurvives(),
  'stands-through': words.featureStandsThrough(),
  'personal-data': words.featurePersonalData(),
  'firmware-step': words.featureFirmwareStep(),
  postures: words.featurePostures(),
  'several-revisions': words.featureSeveralRevisions(),
  book: words.featureBook(),
  'opening-limit': words.featureOpeningLimit(),
  'refit-on-the-way': words.featureRefitOnTheWay(),
  'test-mating': words.featureTestMating(),
  heat: words.featureHeat(),
  solvent: words.featureSolvent(),
  'seam-path': words.featureSeamPath(),
  'uncertain-ends': words.featureUncertainEnds(),
  'resistance-ladder': words.featureResistanceLadder(),
  'two-routes': words.featureTwoRoutes(),
  'destructive-short-cut': words.featureDestructiveShortCut(),
  'helpers-hand': words.featureHelpersHand(),
  'certified-step': words.featureCertifiedStep(),
  'gate-back': words.featureGateBack(),
  'own-way-back': words.featureOwnWayBack(),
  gasket: words.featureGasket(),
};

export const kindNames: Readonly<Record<DeviceKind, string>> = {
  phone: words.kindPhone(),
  tablet: words.kindTablet(),
  laptop: words.kindLaptop(),
  handheld: words.kindHandheld(),
};

export const categoryNames: Readonly<Record<PartCategory, string>> = {
  battery: words.categoryBattery(),
  display: words.categoryDisplay(),
  board: words.categoryBoard(),
  camera: words.categoryCamera(),
  speaker: words.categorySpeaker(),
  microphone: words.categoryMicrophone(),
  port: words.categoryPort(),
  keys: words.categoryKeys(),
  touchpad: words.categoryTouchpad(),
  housing: words.categoryHousing(),
  motor: words.categoryMotor(),
  drive: words.categoryDrive(),
  memory: words.categoryMemory(),
  cover: words.categoryCover(),
  sensor: words.categorySensor(),
  hinge: words.categoryHinge(),
  cable: words.categoryCable(),
  tray: words.categoryTray(),
  cooling: words.categoryCooling(),
  aerial: words.categoryAerial(),
  'clock-cell': words.categoryClockCell(),
  'cable-set': words.categoryCableSet(),
};

/** Why an operation comes after another. */
export const arcReasonNames: Readonly<Record<ArcReason, string>> = {
  physical: words.reasonPhysical(),
  protective: words.reasonProtective(),
  house: words.reasonHouse(),
};

export const slotKindNames: Readonly<Record<SlotKind, string>> = {
  cosmetic: words.slotCosmetic(),
  functional: words.slotFunctional(),
};

export const yesOrNo = { no: words.no(), yes: words.yes() } as const;

/** Where a unit is: “at Teardown” while it waits or is worked on there, “sent” and “kept apart: …” once it is. */
export function sayStage({ stage, apartPlace }: Pick<Unit, 'stage' | 'apartPlace'>): string {
  const name = stageNames[stage];
  if (stage === 'kept-apart') return words.apartAt({ name, place: apartPlace ? apartNames[apartPlace] : '' });
  return ['triage', 'teardown', 'match', 'rebuild', 'prove'].includes(stage) ? words.atStage({ name }) : name;
}
