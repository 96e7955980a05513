import { findingRules } from '@/core/findings/rules';
import type { Finding } from '@/core/procedure/vocabulary';
import { emptyGate } from './gateSteps';
import { stepIdOf, type SheetStep } from './sheetStep';
import { message, type Wording } from '@/core/shared/message';

interface GateWords {
  readonly title: Wording<'sheet'>;
  readonly detail: Wording<'sheet'>;
  readonly why: Wording<'sheet'>;
}

/** What a finding asks for before anything goes back: what was seen is not closed in. */
const gateWords: Partial<Record<Finding, GateWords>> = {
  swelling: {
    title: message('sheet.gateFlatAfterSwollenBattery'),
    detail: message('sheet.putFrameCoverKeyboardAnd'),
    why: message('sheet.bentFrameBendsNewBattery'),
  },
  liquid: {
    title: message('sheet.gateDryAndCleanAfter'),
    detail: message('sheet.lookAtEveryPlugRibbon'),
    why: message('sheet.anythingClosedUpWetCorrodes'),
  },
  'opened-before': {
    title: message('sheet.gateAsModelSaysAfter'),
    detail: message('sheet.checkScrewLengthsAgainstModel'),
    why: message('sheet.earlierRepairMayHaveLeft'),
  },
  dent: {
    title: message('sheet.gateStraightAtDent'),
    detail: message('sheet.dryFitNewPanelIn'),
    why: message('sheet.panelPressedIntoBentCorner'),
  },
};

const allFindings = Object.keys(findingRules) as readonly Finding[];

const gateOf = (finding: Finding, beside: SheetStep, round: number): SheetStep => {
  const { gate } = findingRules[finding];
  if (!gate) throw new RangeError(`gateOf: ${finding} asks for no check`);
  const words = gateWords[finding] ?? { title: '', detail: '', why: '' };
  return { ...emptyGate(beside), ...words, minutes: gate.minutes, id: stepIdOf('gate', gate.id, round) };
};

/**
 * The gates that findings ask for before the first step of the way back, without those that were passed.
 *
 * @param roundOf  which time each is asked for
 */
export const gatesAfterFindings = (
  findings: readonly Finding[],
  passed: ReadonlySet<string>,
  beside: SheetStep,
  roundOf: (gateId: string) => number,
): readonly SheetStep[] =>
  allFindings.flatMap((finding) => {
    const { gate } = findingRules[finding];
    return gate && findings.includes(finding) && !passed.has(gate.id)
      ? [gateOf(finding, beside, roundOf(gate.id))]
      : [];
  });

/** The gate of a finding by its id, as it was passed; undefined for another kind of gate. */
export function passedFindingGate(gateId: string, beside: SheetStep, round: number): SheetStep | undefined {
  const finding = allFindings.find((entry) => findingRules[entry].gate?.id === gateId);
  return finding && gateOf(finding, beside, round);
}
