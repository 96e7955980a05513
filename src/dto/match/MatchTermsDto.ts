import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsNumber,
  IsOptional,
  Length,
  Matches,
  Max,
  Min,
  ValidateIf,
  ValidateNested,
} from 'class-validator';
import { fates, type Fate, type SlotWish, type Wish } from '@/core/matchPlan/problem';
import { saleGrades, type SaleGrade } from '@/core/shared/grades';

const tagPattern = /^U-\d{4,9}$/;
const tagSays = { message: 'it must be the tag of a unit, like U-0744' };
const wishKinds = ['pinned', 'forbidden'] as const;

class WishDto implements Wish {
  @Matches(tagPattern, tagSays)
  tag!: string;

  @IsIn(fates)
  fate!: Fate;

  @IsOptional()
  @IsIn(saleGrades)
  grade?: SaleGrade;

  @IsIn(wishKinds)
  is!: 'pinned' | 'forbidden';
}

class SlotWishDto implements SlotWish {
  @Matches(tagPattern, tagSays)
  tag!: string;

  @Length(1, 130)
  slot!: string;

  @Length(1, 400)
  from!: string;

  @IsIn(wishKinds)
  is!: 'pinned' | 'forbidden';
}

/** What a lead says of a plan beside the stock. */
export class MatchTermsDto {
  @IsInt()
  @Min(1)
  @Max(60)
  days!: number;

  /** Hours at the benches until then; null where they do not run short. */
  @ValidateIf((dto: MatchTermsDto) => dto.hours !== null)
  @IsNumber()
  @Min(0)
  @Max(10_000)
  hours!: number | null;

  /** Hours of certified people until then; null where they do not run short. */
  @ValidateIf((dto: MatchTermsDto) => dto.certifiedHours !== null)
  @IsNumber()
  @Min(0)
  @Max(10_000)
  certifiedHours!: number | null;

  /** Whatever was accepted before. */
  @IsBoolean()
  isAnew!: boolean;

  @IsArray()
  @ArrayMaxSize(500)
  @ValidateNested({ each: true })
  @Type(() => WishDto)
  wishes!: WishDto[];

  @IsArray()
  @ArrayMaxSize(500)
  @ValidateNested({ each: true })
  @Type(() => SlotWishDto)
  slotWishes!: SlotWishDto[];
}
