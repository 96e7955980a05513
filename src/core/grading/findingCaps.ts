import type { Finding, PartCategory } from '@/core/procedure/vocabulary';
import { gradeRank, type Grade } from '@/core/shared/grades';

/** The best grade that a part can have after what was found in its unit, and why. */
export interface FindingCap {
  readonly finding: Finding;
  readonly grade: Grade;
  readonly because: string;
}

interface CapRule extends FindingCap {
  readonly categories: readonly PartCategory[];
}

/** What cannot be measured on the part and still lowers what it is worth. Grades of the house, ours. */
const rules: readonly CapRule[] = [
  {
    finding: 'liquid',
    categories: [
      'board',
      'port',
      'speaker',
      'camera',
      'sensor',
      'keys',
      'cable',
      'motor',
      'display',
      'drive',
      'memory',
    ],
    grade: 'C',
    because: 'corrosion comes later',
  },
  {
    finding: 'swelling',
    categories: ['display', 'keys', 'housing', 'cover'],
    grade: 'B',
    because: 'a swollen cell pressed on it',
  },
  { finding: 'dent', categories: ['housing', 'cover'], grade: 'C', because: 'the unit was dented' },
];

/**
 * The cap that holds a part down most, or null.
 *
 * @param findings  of the unit, when the part came out
 */
export const capOf = (category: PartCategory, findings: readonly Finding[]): FindingCap | null =>
  rules
    .filter((rule) => findings.includes(rule.finding) && rule.categories.includes(category))
    .sort((a, b) => gradeRank(b.grade) - gradeRank(a.grade))[0] ?? null;
