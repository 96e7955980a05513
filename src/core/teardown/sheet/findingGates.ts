import type { Minutes } from '@/core/procedure/operations';
import type { Finding } from '@/core/procedure/vocabulary';
import { emptyGate, stepIdOf, type SheetStep } from './sheetStep';

interface FindingGate {
  readonly id: string;
  readonly title: string;
  readonly detail: string;
  readonly why: string;
  readonly minutes: Minutes;
}

/** What a finding asks for before anything goes back: what was seen is not closed in. */
const findingGates: Partial<Record<Finding, FindingGate>> = {
  swelling: {
    id: 'flat-after-swelling',
    title: 'Gate: flat after the swollen cell',
    detail: 'Frame, cover, keyboard and touchpad under the flatness gauge; no splinter and no fluid in the bay.',
    why: 'A bent frame bends the new cell.',
    minutes: { low: 2, likely: 3, high: 6 },
  },
  liquid: {
    id: 'dry-after-liquid',
    title: 'Gate: dry and clean after the liquid',
    detail:
      'Every plug, ribbon seat and indicator under the lens: no trace, no green or white; dry below the shields too.',
    why: 'What is closed in wet corrodes under power.',
    minutes: { low: 2, likely: 4, high: 8 },
  },
  'opened-before': {
    id: 'right-after-others',
    title: 'Gate: as the model says, after an earlier repair',
    detail: 'Screws by length against the model, shields and foils in place, no residue, no foreign part.',
    why: 'Whoever was here before may have left the wrong screw in a shallow hole.',
    minutes: { low: 1, likely: 2, high: 5 },
  },
  dent: {
    id: 'true-after-dent',
    title: 'Gate: straight at the dent',
    detail:
      'The new panel lies dry in its frame: an even gap all round, no rocking. Otherwise straighten or change the frame.',
    why: 'A panel that is pressed into a bent corner breaks there.',
    minutes: { low: 1, likely: 2, high: 6 },
  },
};

const gateOf = ({ id, ...says }: FindingGate, beside: SheetStep, round: number): SheetStep => ({
  ...emptyGate(beside),
  ...says,
  id: stepIdOf('gate', id, round),
});

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
  (Object.entries(findingGates) as [Finding, FindingGate][]).flatMap(([finding, gate]) =>
    findings.includes(finding) && !passed.has(gate.id) ? [gateOf(gate, beside, roundOf(gate.id))] : [],
  );

/** The gate of a finding by its id, as it was passed; undefined for another kind of gate. */
export function passedFindingGate(gateId: string, beside: SheetStep, round: number): SheetStep | undefined {
  const found = Object.values(findingGates).find(({ id }) => id === gateId);
  return found && gateOf(found, beside, round);
}
