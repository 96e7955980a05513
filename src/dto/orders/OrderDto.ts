import { IsBoolean, IsIn, IsInt, IsUUID, Matches, Max, Min, ValidateIf } from 'class-validator';
import type { CustomerOrder } from '@/core/matching/orders';
import { saleGrades, type SaleGrade } from '@/core/shared/grades';
import { IsDay } from '../times';

const idPattern = /^[a-z0-9][a-z0-9-]{0,59}$/;

/** An order that a lead notes; its id is the page's, so that what is sent twice is one. */
export class OrderDto implements CustomerOrder {
  @IsUUID()
  id!: string;

  @Matches(/^\S.{0,78}\S$|^\S$/u, { message: 'it must say who ordered, in up to 80 letters' })
  customer!: string;

  @Matches(idPattern)
  modelId!: string;

  @ValidateIf((dto: OrderDto) => dto.variant !== null)
  @Matches(idPattern)
  variant!: string | null;

  @IsIn(saleGrades)
  atLeast!: SaleGrade;

  @IsInt()
  @Min(1)
  @Max(1000)
  count!: number;

  @ValidateIf((dto: OrderDto) => dto.dueOn !== null)
  @IsDay()
  dueOn!: string | null;

  @IsInt()
  @Min(0)
  @Max(10_000_000)
  extraCents!: number;

  @IsInt()
  @Min(0)
  @Max(10_000_000)
  missCents!: number;

  @IsBoolean()
  isFirm!: boolean;
}
