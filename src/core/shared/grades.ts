/** Grades from best to worst; X is scrap. */
export const grades = ['A', 'B', 'C', 'D', 'X'] as const;
export type Grade = (typeof grades)[number];

/** Grades at which a thing may still be sold. */
export const saleGrades = ['A', 'B', 'C', 'D'] as const;
export type SaleGrade = (typeof saleGrades)[number];

/** Position in `grades`: 0 for A to 4 for X; a higher rank is a worse grade. */
export const gradeRank = (grade: Grade): number => grades.indexOf(grade);

/**
 * The worst of some grades, as a thing is as good as its worst attribute.
 *
 * @param given  any number of grades
 * @returns the worst; A for none, since nothing speaks against it
 */
export function worstGrade(given: readonly Grade[]): Grade {
  return given.reduce<Grade>((worst, grade) => (gradeRank(grade) > gradeRank(worst) ? grade : worst), 'A');
}
