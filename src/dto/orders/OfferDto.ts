import { IsIn, IsInt, IsUUID, Matches, Max, Min, ValidateIf } from 'class-validator';
import type { PurchaseOffer } from '@/core/matching/offers';
import { saleGrades, type SaleGrade } from '@/core/shared/grades';

/** Where a class of parts can be bought; its id is the page's, so that what is sent twice is one. */
export class OfferDto implements PurchaseOffer {
  @IsUUID()
  id!: string;

  @Matches(/^[a-z0-9][a-z0-9-]{0,59}$/)
  interchange!: string;

  @Matches(/^\S.{0,78}\S$|^\S$/u, { message: 'it must say from whom, in up to 80 letters' })
  supplier!: string;

  @IsIn(saleGrades)
  grade!: SaleGrade;

  @IsInt()
  @Min(1)
  @Max(10_000_000)
  cents!: number;

  @ValidateIf((dto: OfferDto) => dto.most !== null)
  @IsInt()
  @Min(1)
  @Max(100_000)
  most!: number | null;

  @IsInt()
  @Min(0)
  @Max(365)
  leadDays!: number;

  @IsInt()
  @Min(0)
  @Max(3650)
  warrantyDays!: number;
}
