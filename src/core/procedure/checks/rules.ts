import { message, type Message } from '@/core/shared/message';
export type Severity = 'error' | 'warning';

/** Every rule of the checker: what it finds, and whether a model may be published with it. */
export const rules = {
  // structure
  'double-id': { severity: 'error', finds: message('checks.oneIdForTwoThings') },
  'dangling-id': { severity: 'error', finds: message('checks.idThatNamesNothing') },
  cycle: { severity: 'error', finds: message('checks.operationsThatWaitForEach') },
  unreachable: { severity: 'error', finds: message('checks.operationThatCanNeverBe') },
  'never-freed': { severity: 'error', finds: message('checks.partThatNoOperationFrees') },
  'still-held': { severity: 'error', finds: message('checks.partFreedWhileJointStill') },
  'opened-twice': { severity: 'error', finds: message('checks.jointOpenedWhileOpen') },
  'closed-twice': { severity: 'error', finds: message('checks.jointClosedWhileClosed') },
  'freed-twice': { severity: 'error', finds: message('checks.partFreedWhileOut') },
  'refit-not-out': { severity: 'error', finds: message('checks.partLaidBackThatNot') },
  'motion-blocked': { severity: 'error', finds: message('checks.motionWithPartInIts') },
  'posture-impossible': { severity: 'error', finds: message('checks.postureThatCannotBeTaken') },
  'chances-sum': { severity: 'error', finds: message('checks.endsWhoseChancesDoNot') },
  'times-order': { severity: 'error', finds: message('checks.minutesNotLowLikelyHigh') },
  'text-missing': { severity: 'error', finds: message('checks.nameOrTitleThatEmpty') },
  markup: { severity: 'error', finds: message('checks.markupOrControlCharactersIn') },
  'outside-face': { severity: 'error', finds: message('checks.somethingDrawnOutsideItsFace') },
  implausible: { severity: 'warning', finds: message('checks.figureThatLooksLikeAnother') },
  'drive-unknown': { severity: 'warning', finds: message('checks.driveNoStandardNames') },
  'drive-misfit': { severity: 'warning', finds: message('checks.threadNotMadeForDrive') },
  'no-current': { severity: 'warning', finds: message('checks.partThatNothingFeeds') },
  'cell-limits': { severity: 'warning', finds: message('checks.heatLimitsThatDisagree') },
  'layer-gone': { severity: 'warning', finds: message('checks.layerThatIsOut') },
  'gate-names': { severity: 'error', finds: message('checks.gateThatTestsNothing') },
  'moment-first': { severity: 'error', finds: message('checks.momentBeforeAnyWait') },
  // order
  'power-first': { severity: 'error', finds: message('checks.boardOrCableWorkBefore') },
  'source-uncounted': { severity: 'error', finds: message('checks.powerSourceThatNeverTaken') },
  'stands-through': { severity: 'error', finds: message('checks.trayStylusOrCardIn') },
  'lock-shut': { severity: 'error', finds: message('checks.ribbonDrawnBeforeItsLock2') },
  'hidden-joint': { severity: 'error', finds: message('checks.jointOpenedUnderCapThat') },
  'stacked-order': { severity: 'error', finds: message('checks.fastenerOpenedWhileOneScrewed') },
  'plugged-before-threaded': { severity: 'error', finds: message('checks.cablePluggedBeforeThrough') },
  'stuck-before-plugged': { severity: 'error', finds: message('checks.cableStuckDownBeforePlugged') },
  'sealed-before-gate': { severity: 'error', finds: message('checks.stepThatSealsBeforeIts') },
  'gate-impossible': { severity: 'error', finds: message('checks.gateThatNobodyCanPass') },
  'power-after-gate': { severity: 'error', finds: message('checks.workWithPowerStillOn') },
  'back-circle': { severity: 'error', finds: message('checks.stepsWayBackThatWait') },
  // balance
  'out-in': { severity: 'error', finds: message('checks.whatComesOffAndDoes') },
  'no-consumable': { severity: 'error', finds: message('checks.somethingSingleUseThatNothing') },
  'no-transfer-list': { severity: 'error', finds: message('checks.assemblyThatDoesNotSay') },
  'bound-apart': { severity: 'error', finds: message('checks.boundPartsThatCouldBe') },
  // harm
  'shared-cup': { severity: 'error', finds: message('checks.screwsInOneCupWhich') },
  'too-hot': { severity: 'error', finds: message('checks.heatPastLimitCellThat') },
  'heat-layers': { severity: 'error', finds: message('checks.layersBelowHeatWithoutOne') },
  'solvent-heat': { severity: 'error', finds: message('checks.solventBeforeHeatWithoutAiring') },
  'keep-out': { severity: 'error', finds: message('checks.toolInZoneWhereNone') },
  'metal-unprotected': { severity: 'warning', finds: message('checks.metalOutsideProtectedZone') },
  'metal-at-cell': { severity: 'error', finds: message('checks.metalOrBladeAtCell') },
  'no-certificate': { severity: 'error', finds: message('checks.workForCertifiedPeopleWithout') },
  'no-fixture': { severity: 'error', finds: message('checks.unattendedTimeWithoutFixture') },
} as const satisfies Readonly<Record<string, { readonly severity: Severity; readonly finds: Message<'checks'> }>>;

export type RuleId = keyof typeof rules;
