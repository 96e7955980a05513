import { IsIn, IsInt, IsOptional, Length, Max, Min } from 'class-validator';
import { fates, type Fate } from '@/core/matchPlan/problem';
import { saleGrades, type SaleGrade } from '@/core/shared/grades';

/** A choice of a plan that is to be forbidden: a unit's fate, or where the part of one slot comes from. */
export class WithoutDto {
  /** What the plan brings with it. */
  @IsInt()
  @Min(-1_000_000_000)
  @Max(1_000_000_000)
  cents!: number;

  @Length(1, 60)
  tag!: string;

  @IsIn(fates)
  fate!: Fate;

  @IsOptional()
  @IsIn(saleGrades)
  grade?: SaleGrade;

  /** What it is to become instead, whatever that costs. */
  @IsOptional()
  @IsIn(fates)
  instead?: Fate;

  @IsOptional()
  @Length(1, 130)
  slot?: string;

  @IsOptional()
  @Length(1, 400)
  from?: string;
}
