import { IsBoolean, IsIn, IsInt, IsOptional, IsUUID, Length, Matches, Max, Min, ValidateIf } from 'class-validator';
import { costRules, type CostRule } from '@/core/shared/costRule';
import type { Payloads } from '@/core/shop/facts';
import { IsDay } from '../times';

const mostCents = 1_000_000_000;

export class ParcelMadeDto implements Omit<Payloads['parcel-made'], never> {
  @Length(2, 40)
  @Matches(/^[\p{L}\p{N} ,.'’/-]+$/u, { message: 'it may hold letters, digits, blanks and , . / -' })
  code!: string;

  @Length(1, 80)
  supplier!: string;

  @IsInt()
  @Min(0)
  @Max(mostCents)
  pricePaidCents!: number;

  @IsInt()
  @Min(0)
  @Max(mostCents)
  transportCents!: number;

  @IsDay()
  receivedOn!: string;
}

export class ParcelCorrectedDto extends ParcelMadeDto implements Omit<Payloads['parcel-corrected'], never> {}

export class CostSpreadDto implements Omit<Payloads['cost-spread'], never> {
  @IsIn(costRules)
  rule!: CostRule;
}

export class ParcelCountedDto implements Omit<Payloads['parcel-counted'], never> {
  @IsBoolean()
  isCounted!: boolean;
}

export class UnitTaggedDto implements Omit<Payloads['unit-tagged'], 'tag'> {
  @IsUUID()
  parcelId!: string;

  @ValidateIf((dto: UnitTaggedDto) => dto.lineNo !== null)
  @IsInt()
  @Min(1)
  lineNo!: number | null;
}

export class UndoneDto implements Omit<Payloads['undone'], never> {
  @IsUUID()
  factId!: string;
}

export class NothingDto {
  @IsOptional()
  nothing?: undefined;
}
