import type { DefectCode } from '@/core/entities/stages';
import type { Tallies } from '@/data/tallies/readTallies';

export interface DefectCount {
  readonly code: DefectCode;
  readonly partRef: string;
  readonly count: number;
}

/** How often each defect was reported at the bench, by the part it hit. */
export const defectCounts = ({ defect }: Tallies<'defect'>): readonly DefectCount[] =>
  defect.map(({ about, more, count }) => ({ code: about as DefectCode, partRef: more, count }));
