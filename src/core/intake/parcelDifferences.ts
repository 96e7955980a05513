import type { ParcelLine, Unit } from '@/core/entities/entities';
import { message, type Wording } from '@/core/shared/message';
import { lockTests } from '@/core/procedure/vocabulary';

export const differenceKinds = ['missing', 'not-on-list', 'other-model', 'other-serial', 'locked'] as const;
export type DifferenceKind = (typeof differenceKinds)[number];

/** Where a parcel is not what was promised. */
export interface Difference {
  readonly kind: DifferenceKind;
  readonly lineNo: number | null;
  readonly tag: string | null;
  readonly promised: Wording<'intake'>;
  readonly came: Wording<'intake'>;
  /** What it costs: the share of what was paid that stands for it. */
  readonly cents: number;
}

export interface CountedUnit {
  readonly unit: Pick<Unit, 'tag' | 'lineNo' | 'serial' | 'tests'>;
  /** Maker and name of what it was identified as; null while it is not. */
  readonly model: string | null;
}

/**
 * What came against what was promised, line by line, with what each difference costs: the even share of what was paid for
 * a unit that is missing or locked, nothing for one too many, and for another model or serial nothing yet, since that is to
 * be agreed.
 *
 * @param lines      the whole list
 * @param isCounted  true when the box is empty: what is still to be tagged is missing then, and not before
 */
export function parcelDifferences(
  lines: readonly ParcelLine[],
  units: readonly CountedUnit[],
  paidCents: number,
  isCounted: boolean,
): readonly Difference[] {
  const share = lines.length > 0 ? Math.round(paidCents / lines.length) : 0;
  const byLine = new Map(units.map((entry) => [entry.unit.lineNo, entry]));
  const promisedBy = ({ maker, model, serial }: ParcelLine) => [maker, model, serial].filter(Boolean).join(' ');
  const ofLines = lines.flatMap((line): Difference[] => {
    const found = byLine.get(line.lineNo);
    const base = { lineNo: line.lineNo, promised: promisedBy(line) };
    if (!found) {
      return isCounted ? [{ ...base, kind: 'missing', tag: null, came: message('intake.nothing'), cents: share }] : [];
    }
    const { unit, model } = found;
    const about = { ...base, tag: unit.tag };
    const differences: Difference[] = [];
    if (model !== null && !isSame(model, `${line.maker} ${line.model}`))
      differences.push({ ...about, kind: 'other-model', came: model, cents: 0 });
    if (line.serial !== '' && unit.serial !== null && !isSame(line.serial, unit.serial))
      differences.push({ ...about, kind: 'other-serial', came: unit.serial, cents: 0 });
    if (lockTests.some((test) => unit.tests[test] === 'fault'))
      differences.push({ ...about, kind: 'locked', came: message('intake.lockedUnit'), cents: share });
    return differences;
  });
  const surplus = units
    .filter(({ unit }) => unit.lineNo === null && lines.length > 0)
    .map(({ unit, model }): Difference => ({
      kind: 'not-on-list',
      lineNo: null,
      tag: unit.tag,
      promised: message('intake.nothing'),
      came:
        model === null
          ? message('intake.notIdentified', { serial: unit.serial ?? 'none' })
          : [model, unit.serial].filter(Boolean).join(' '),
      cents: 0,
    }));
  return [...ofLines, ...surplus];
}

const isSame = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase();
