import { IsIn, IsInt, Matches, Max, Min } from 'class-validator';
import type { Reserve } from '@/core/matchPlan/problem';
import { saleGrades, type SaleGrade } from '@/core/shared/grades';

/** So many parts of a class, of a grade or better, stay on the shelf. */
export class ReserveDto implements Reserve {
  @Matches(/^[a-z0-9][a-z0-9-]{0,59}$/)
  of!: string;

  @IsIn(saleGrades)
  atLeast!: SaleGrade;

  @IsInt()
  @Min(0)
  @Max(100_000)
  count!: number;
}
