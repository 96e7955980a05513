import { attributeNames } from './attributes';
import type { Deed } from '@/core/findings/rules';
import type { Message } from '@/core/shared/message';
import type { Refusal } from '@/core/shared/outcome';
import type { Reason } from '@/core/shared/reasons';
import * as words from '@/words/catalogue/core/refusals';
import { instrumentNames } from './instrumentName';
import { findingNames, placeNames, roleNames, stageNames, testNames } from './names';

/** One sentence for every refusal: what was not done, why, and the way out. docs/errors.md lists the same (tested). */
export const sentences: Readonly<Record<Reason, (values: never) => string>> = {
  'bad-input': words.badInput,
  'not-signed-in': words.notSignedIn,
  'other-person': words.otherPerson,
  'not-permitted': words.notPermitted,
  'pin-wrong': words.pinWrong,
  'pin-slow': words.pinSlow,
  'pin-locked': words.pinLocked,
  'not-found': words.notFound,
  'unknown-tag': words.unknownTag,
  'unknown-model': words.unknownModel,
  'rules-unknown': words.rulesUnknown,
  'rules-invalid': words.rulesInvalid,
  'rules-stale': words.rulesStale,
  'price-day': words.priceDay,
  'price-part': words.pricePart,
  'price-order': words.priceOrder,
  'name-taken': words.nameTaken,
  'person-stale': words.personStale,
  'last-lead': words.lastLead,
  'last-bench': words.lastBench,
  'too-many-boxes': words.tooManyBoxes,
  'bins-not-empty': words.binsNotEmpty,
  'certificate-asked': words.certificateAsked,
  stale: words.stale,
  'wrong-stage': words.wrongStage,
  'id-reused': words.idReused,
  'undo-too-late': words.undoTooLate,
  'stands-on-it': ({ tag, by }: { tag: string; by?: string }) =>
    words.standsOnIt({ tag, by: by ?? '', hasName: by ? 'yes' : 'no' }),
  'not-empty': words.notEmpty,
  'has-begun': words.hasBegun,
  'code-taken': words.codeTaken,
  'line-taken': words.lineTaken,
  'serial-known': words.serialKnown,
  'not-identified': words.notIdentified,
  'account-locked': words.accountLocked,
  'reported-lost': words.reportedLost,
  'not-let-go': words.notLetGo,
  'finding-forbids': words.findingForbids,
  'not-wiped': words.notWiped,
  'data-bearing': words.dataBearing,
  'targets-unreachable': words.targetsUnreachable,
  'no-worth': words.noWorth,
  'torque-is-force': words.torqueIsForce,
  'torque-unreadable': words.torqueUnreadable,
  'step-not-next': words.stepNotNext,
  'sheet-halted': words.sheetHalted,
  'heat-locked': words.heatLocked,
  'wait-running': words.waitRunning,
  'fixture-taken': words.fixtureTaken,
  'fixture-full': words.fixtureFull,
  'not-skipped': words.notSkipped,
  'torque-open': words.torqueOpen,
  'rehearse-first': words.rehearseFirst,
  'step-done-already': words.stepDoneAlready,
  'no-further-rung': words.noFurtherRung,
  'sheet-open': words.sheetOpen,
  'gate-not-passed': words.gateNotPassed,
  'readings-missing': words.readingsMissing,
  'part-taken': words.partTaken,
  'part-reserved': words.partReserved,
  'bound-elsewhere': words.boundElsewhere,
  'bound-alone': words.boundAlone,
  'part-picked': words.partPicked,
  'no-cell': words.noCell,
  'cell-on-already': words.cellOnAlready,
  'cell-not-on': words.cellNotOn,
  'match-invalid': words.matchInvalid,
  'match-impossible': words.matchImpossible,
  'match-stale': words.matchStale,
  'match-thread-ended': words.matchThreadEnded,
  'supply-changed': words.supplyChanged,
  'reading-stale': words.readingStale,
  'reading-doubled': words.readingDoubled,
  'reading-unwanted': words.readingUnwanted,
  'reading-wrong-part': words.readingWrongPart,
  'reading-empty': words.readingEmpty,
  'reading-unit': words.readingUnit,
  'reading-out-of-range': words.readingOutOfRange,
  'reading-flood': words.readingFlood,
  'self-test-over': words.selfTestOver,
  lamps: words.lamps,
  'count-first': words.countFirst,
  'not-interchangeable': words.notInterchangeable,
  'slots-open': words.slotsOpen,
  'tests-open': words.testsOpen,
  'file-empty': words.fileEmpty,
  'file-unreadable': words.fileUnreadable,
  'file-too-large': words.fileTooLarge,
  'too-large': words.tooLarge,
  'picture-unreadable': words.pictureUnreadable,
  'picture-too-large': words.pictureTooLarge,
  'pictures-full': words.picturesFull,
  'columns-missing': words.columnsMissing,
  'document-too-hard': words.documentTooHard,
  'model-invalid': words.modelInvalid,
  'log-changed': words.logChanged,
  'discharge-empty': words.dischargeEmpty,
  'log-columns': words.logColumns,
  'log-line': words.logLine,
  'log-backwards': words.logBackwards,
  'log-charging': words.logCharging,
  'log-too-low': words.logTooLow,
  'log-units': words.logUnits,
  'log-rating': words.logRating,
  'pack-wires': words.packWires,
  'label-type': words.labelType,
  'label-limit': words.labelLimit,
  'label-volt': words.labelVolt,
  'label-rating': words.labelRating,
  'draft-stale': words.draftStale,
  'log-empty': words.logEmpty,
  'too-often': words.tooOften,
  'database-away': words.databaseAway,
  'server-away': words.serverAway,
  'still-loading': words.stillLoading,
  fault: words.fault,
};

const deedPhrases: Readonly<Record<Deed, () => string>> = {
  'sell-as-is': words.cannotBeSoldAsIs,
  wipe: words.mustNotBeSwitchedOn,
  prove: words.cannotBeReleased,
  send: words.cannotBeSent,
};

/** Codes among the values of a refusal, as the shop says them. */
const spoken: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  stage: { ...stageNames, ...placeNames },
  finding: findingNames,
  first: testNames,
  role: roleNames,
  attribute: attributeNames,
  field: attributeNames,
  instrument: instrumentNames,
};

const inOwnWords = (value: Refusal['values'][string]) =>
  typeof value === 'object' && value !== null && 'code' in value ? words.say(value as Message<'refusals'>) : value;

function inWords(values: Refusal['values']): Refusal['values'] {
  const said = Object.entries(values).map(([name, value]) => [
    name,
    spoken[name]?.[String(value)] ?? inOwnWords(value),
  ]);
  const { by, bench, deed, count = 1 } = values;
  return {
    ...Object.fromEntries(said),
    by: !by ? words.somebodyElse() : bench ? words.personAtBench({ name: String(by), bench: String(bench) }) : by,
    more: Number(count) - 1,
    isTagged: values.tag === undefined ? 'no' : 'yes',
    ...(deed !== undefined && { deed: deedPhrases[deed as Deed]() }),
  };
}

export const sayRefusal = ({ reason, values }: Refusal): string =>
  (sentences[reason] as (given: Refusal['values']) => string)(inWords(values)).trim();
