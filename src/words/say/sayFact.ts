import type { Fact, FactType, Payloads } from '@/core/shop/facts';
import type { NamedIn } from '@/core/shop/namedIn';
import type { ReplanCause, SkipCause, WipeMethod } from '@/core/entities/stages';
import { say as saySheet } from '@/words/catalogue/core/sheet';
import * as words from '@/words/catalogue/history';
import { minutes, money, number } from '@/words/format';
import { minutesOf } from '@/core/battery/conditioning';
import { limitingName } from './attributes';
import { sayRead } from './sayRead';
import {
  costRuleNames,
  defectNames,
  dispositionNames,
  findingNames,
  letGoNames,
  partStateNames,
  resultNames,
  screwTroubleNames,
  testNames,
} from './names';

const wipeNames: Readonly<Record<WipeMethod, string>> = {
  'device-erase': words.deviceErase(),
  'storage-overwrite': words.storageOverwrite(),
  'storage-destroyed': words.storageDestroyed(),
};

const replanNames: Readonly<Record<ReplanCause, string>> = {
  found: words.found(),
  'part-lost': words.partLost(),
  'will-not-yield': words.wontComeLoose(),
  wanted: words.wanted(),
  'ended-otherwise': words.endedOtherwise(),
};

const skipNames: Readonly<Record<SkipCause, string>> = {
  'done-already': words.doneAlready(),
  'not-there': words.notThere(),
  'not-needed': words.notNeeded(),
};

const yes = (is: boolean): 'yes' | 'no' => (is ? 'yes' : 'no');
const stepOf = ({ step }: NamedIn): string => (step ? saySheet(step) : '');

/** With what the unit's own page read, where it tested itself. */
const sayTest = ({ test, result, read }: Payloads['test-noted'], isProof: boolean): string =>
  words.testNoted({
    isProof: yes(isProof),
    test: testNames[test],
    result: resultNames[result],
    isRead: yes(read !== undefined),
    read: read ? sayRead(read) : '',
  });

/** One sentence for every fact, as the history shows it. */
export const factSentences: { readonly [T in FactType]: (payload: Payloads[T], named: NamedIn) => string } = {
  'parcel-made': words.parcelMade,
  'parcel-corrected': ({ code, pricePaidCents, transportCents }) =>
    words.parcelCorrected({ code, cents: pricePaidCents + transportCents }),
  'parcel-removed': words.parcelRemoved,
  'unit-recalled': words.unitRecalled,
  'release-withdrawn': words.releaseWithdrawn,
  'lines-expected': ({ fileName, lines }) => words.linesExpected({ fileName, count: lines.length }),
  'cost-spread': ({ rule }) => words.costSpread({ rule: costRuleNames[rule] }),
  'parcel-counted': ({ isCounted }) => words.parcelCounted({ isCounted: yes(isCounted) }),
  'unit-tagged': words.unitTagged,
  'unit-identified': ({ serial }) => words.unitIdentified({ serial, hasSerial: yes(serial !== '') }),
  'mark-placed': ({ mark }, { face }) => words.markPlaced({ finding: findingNames[mark.kind], face }),
  'photo-taken': words.photoTaken,
  'test-noted': (noted) => sayTest(noted, false),
  'wipe-recorded': ({ method }) => words.wipeRecorded({ method: wipeNames[method] }),
  'unit-decided': ({ disposition }) => words.unitDecided({ disposition: dispositionNames[disposition] }),
  'unit-set-apart': words.unitSetApart,
  'unit-let-go': ({ because }) => words.unitLetGo({ because: letGoNames[because] }),
  'sheet-started': ({ kind, targets }) =>
    words.sheetStarted({ isTeardown: yes(kind === 'teardown'), count: targets.length }),
  'sheet-replanned': ({ because }) => words.sheetReplanned({ because: replanNames[because] }),
  'hazard-cleared': words.hazardCleared,
  'note-written': words.noteWritten,
  'sheet-closed': words.sheetClosed,
  'step-resisted': ({ rung, isHandedOver = false }, named) =>
    isHandedOver ? words.stepHandedOver({ step: stepOf(named) }) : words.stepResisted({ step: stepOf(named), rung }),
  'step-done': ({ seconds }, named) => words.stepDone({ step: stepOf(named), seconds }),
  'step-skipped': ({ because }, named) => words.stepSkipped({ step: stepOf(named), because: skipNames[because] }),
  'wait-begun': ({ minutes, fixture, place }, named) =>
    words.waitBegun({ step: stepOf(named), taken: minutes, fixture, place }),
  'part-trouble': ({ state, defectCode }, { part }) =>
    words.partTrouble({
      part,
      state: partStateNames[state],
      defect: defectCode && defectNames[defectCode],
      hasDefect: yes(defectCode !== null),
    }),
  'screw-trouble': ({ count, kind }, named) =>
    words.screwTrouble({ step: stepOf(named), count, kind: screwTroubleNames[kind] }),
  'bit-renewed': words.bitRenewed,
  'torque-read': ({ newtonCm }, named) => words.torqueRead({ step: stepOf(named), newtonCm }),
  'reuse-judged': ({ isReused }, { part }) => words.reuseJudged({ part, isReused: yes(isReused) }),
  'gate-judged': ({ hasPassed }, named) => words.gateJudged({ step: stepOf(named), hasPassed: yes(hasPassed) }),
  'part-graded': ({ verdict }) =>
    words.partGraded({
      hasVerdict: yes(verdict !== undefined),
      grade: verdict?.grade,
      limiting: verdict && limitingName(verdict.limiting),
    }),
  'part-looked-again': ({ verdict }) =>
    words.partLookedAgain({
      hasVerdict: yes(verdict !== undefined),
      grade: verdict?.grade,
      limiting: verdict && limitingName(verdict.limiting),
    }),
  'part-bought': ({ condition, supplier, cents }) => words.partBought({ condition, supplier, price: money(cents) }),
  'part-shelved': words.partShelved,
  'part-reserved': words.partReserved,
  'part-unreserved': words.partUnreserved,
  'part-picked': words.partPicked,
  'part-missed': words.partMissed,
  'cell-topped-up': ({ restVolt }) => words.cellToppedUp({ volt: number(restVolt) }),
  'cell-conditioned': ({ steps = [] }) => words.cellConditioned({ minutes: minutes(minutesOf(steps)) }),
  'cell-taken-off': words.cellTakenOff,
  'part-scrapped': words.partScrapped,
  'part-handed-over': words.partHandedOver,
  'part-assigned': (_, { slot }) => words.partAssigned({ slot }),
  'part-released': (_, { slot }) => words.partReleased({ slot }),
  'parts-promised': ({ parts }, { promised = [] }) =>
    words.partsPromised({
      count: parts.length,
      parts: parts.map((own, at) => words.promisedPart({ part: promised[at] ?? own.part, for: own.for })),
    }),
  'unit-matched': words.unitMatched,
  'proof-noted': (noted) => sayTest(noted, true),
  'unit-proven': words.unitProven,
  'unit-reworked': words.unitReworked,
  'unit-sent': words.unitSent,
  undone: words.undone,
};

/** A fact as a sentence: "Cover plate removed, 0:41". */
export const sayFact = <T extends FactType>(fact: Pick<Fact<T>, 'type' | 'payload'>, named: NamedIn): string =>
  factSentences[fact.type](fact.payload, named);
