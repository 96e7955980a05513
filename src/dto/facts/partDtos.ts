import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsNumber,
  IsObject,
  IsOptional,
  IsUUID,
  Length,
  Matches,
  Max,
  Min,
  ValidateIf,
  ValidateNested,
} from 'class-validator';
import type { CellRecord } from '@/core/battery/cellRecord';
import type { CellLabel } from '@/core/battery/pack';
import type { PlusMinus } from '@/core/grading/doubt';
import type { Payloads } from '@/core/shop/facts';
import type { Readings } from '@/core/grading/attributes';
import { boughtConditions } from '@/core/entities/entities';
import { IsDay } from '../times';
import { saleGrades, type SaleGrade } from '@/core/shared/grades';

const idPattern = /^[a-z0-9][a-z0-9-]*$/;

class CellLabelDto implements CellLabel {
  @Length(1, 40)
  type!: string;

  @IsNumber()
  @Min(0.01)
  @Max(100)
  ratedAmpHours!: number;

  @IsNumber()
  @Min(1)
  @Max(60)
  ratedVolt!: number;

  @IsNumber()
  @Min(1)
  @Max(60)
  limitVolt!: number;
}

class CellRecordDto implements CellRecord {
  @IsOptional()
  @ValidateNested()
  @Type(() => CellLabelDto)
  label?: CellLabelDto;

  @IsOptional()
  @IsNumber()
  @Min(0)
  @Max(120)
  gaugeShare?: number;

  @IsOptional()
  @IsNumber()
  @Min(0)
  @Max(200)
  analyserShare?: number;

  @IsOptional()
  @IsNumber()
  @Min(0)
  @Max(200)
  analyserPlusMinus?: number;

  @IsOptional()
  @IsNumber()
  @Min(0)
  @Max(1000)
  ampHours?: number;

  @IsOptional()
  @IsNumber()
  @Min(0)
  @Max(10000)
  wattHours?: number;

  @IsOptional()
  @IsNumber()
  @Min(0)
  @Max(1e6)
  samples?: number;

  @IsOptional()
  @IsNumber()
  @Min(0)
  @Max(1e6)
  gaps?: number;

  @IsOptional()
  @IsNumber()
  @Min(-50)
  @Max(100)
  celsius?: number;

  @IsOptional()
  @IsNumber()
  @Min(0)
  @Max(60)
  restVolt?: number;
}

export class PartGradedDto implements Omit<Payloads['part-graded'], never> {
  /** Checked against the attributes of the part's category by the core. */
  @IsObject()
  readings!: Readings;

  /** Spreads that instruments gave; read leniently, as an attribute that is not asked for holds nothing. */
  @IsOptional()
  @IsObject()
  plusMinus?: PlusMinus;

  @IsOptional()
  @ValidateNested()
  @Type(() => CellRecordDto)
  cell?: CellRecordDto;
}

export class PartLookedAgainDto implements Omit<Payloads['part-looked-again'], never> {
  @IsObject()
  readings!: Readings;
}

export class PartShelvedDto implements Omit<Payloads['part-shelved'], never> {
  @Matches(/^[A-Z]{1,2}\d{2}$/, { message: 'it must be a bin like B07' })
  bin!: string;
}

export class PartReservedDto implements Omit<Payloads['part-reserved'], never> {
  @Matches(/^\S.{0,58}\S$|^\S$/u, { message: 'it must say for whom, in up to 60 letters' })
  for!: string;
}

export class PartHandedOverDto implements Omit<Payloads['part-handed-over'], never> {
  @Matches(/^\S.{0,78}\S$|^\S$/u, { message: 'it must say to whom, in up to 80 letters' })
  to!: string;
}

export class CellToppedUpDto implements Omit<Payloads['cell-topped-up'], never> {
  @IsNumber()
  @Min(0.5)
  @Max(60)
  restVolt!: number;
}

export class PartBoughtDto implements Omit<Payloads['part-bought'], 'tag'> {
  @Matches(idPattern)
  modelId!: string;

  @IsInt()
  @Min(1)
  modelVersion!: number;

  @Matches(idPattern)
  partRef!: string;

  @IsIn(boughtConditions)
  condition!: (typeof boughtConditions)[number];

  @Matches(/^\S.{0,78}\S$|^\S$/u, { message: 'it must say from whom, in up to 80 letters' })
  supplier!: string;

  @IsInt()
  @Min(0)
  @Max(10_000_000)
  cents!: number;

  @ValidateIf((dto: PartBoughtDto) => dto.warrantyUntil !== null)
  @IsDay()
  warrantyUntil!: string | null;

  @IsBoolean()
  isWhole!: boolean;
}

/** The timeline is the server's. */
export class CellConditionedDto implements Omit<Payloads['cell-conditioned'], 'steps'> {
  @IsNumber()
  @Min(0.01)
  @Max(200)
  ratedAmpHours!: number;

  @IsNumber()
  @Min(0.05)
  @Max(1.2)
  health!: number;

  @IsNumber()
  @Min(0)
  @Max(1)
  filled!: number;
}

export class PartAssignedDto implements Omit<Payloads['part-assigned'], never> {
  @Length(1, 60)
  slot!: string;

  @IsUUID()
  partId!: string;
}

class PromisedPartDto {
  @Length(1, 60)
  part!: string;

  @Matches(/^U-\d{4,9}$/, { message: 'it must be the tag of a unit, like U-0744' })
  for!: string;
}

export class PartsPromisedDto implements Omit<Payloads['parts-promised'], never> {
  @IsArray()
  @ArrayMaxSize(60)
  @ValidateNested({ each: true })
  @Type(() => PromisedPartDto)
  parts!: PromisedPartDto[];
}

export class PartReleasedDto implements Omit<Payloads['part-released'], never> {
  @Length(1, 60)
  slot!: string;
}

export class UnitProvenDto implements Omit<Payloads['unit-proven'], never> {
  @IsIn(saleGrades)
  cosmetic!: SaleGrade;
}

export class UnitSentDto implements Omit<Payloads['unit-sent'], never> {
  @Matches(/^S-\d{4,}$/, { message: 'it must be a shipment like S-0012' })
  shipment!: string;

  @Length(1, 80)
  recipient!: string;
}
