import {
  arcReasonNames,
  categoryNames,
  findingNames,
  kindNames,
  resultNames,
  slotKindNames,
  testNames,
} from '@/words/say/names';

/** The words of the bench for the codes of the format, by the field that holds them. */
const named: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  category: categoryNames,
  findings: findingNames,
  absentFindings: findingNames,
  tests: testNames,
  test: testNames,
  result: resultNames,
  reason: arcReasonNames,
  slot: slotKindNames,
};

/** A code as people read it: its word of the bench, else its own words without hyphens. */
export function codeName(field: string, code: string, isModel: boolean): string {
  const known =
    field === 'kind' && isModel ? (kindNames as Readonly<Record<string, string>>)[code] : named[field]?.[code];
  return known ?? code.replaceAll('-', ' ');
}
