import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  IsArray,
  IsIn,
  IsInt,
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
import type { SelfRead } from '@/core/selfTest/reads';
import { readDtoOf } from '@/dto/selfTest/selfReadDtos';
import type { Mark } from '@/core/findings/mark';
import type { UnitPhoto } from '@/core/entities/entities';
import type { Payloads } from '@/core/shop/facts';
import type { Weighed } from '@/core/entities/entities';
import {
  apartPlaces,
  dispositions,
  letGoCauses,
  wipeMethods,
  type ApartPlace,
  type Disposition,
  type LetGoCause,
  type WipeMethod,
} from '@/core/entities/stages';
import {
  deviceTests,
  findings,
  testResults,
  type DeviceTest,
  type Finding,
  type TestResult,
} from '@/core/procedure/vocabulary';

const idPattern = /^[a-z0-9][a-z0-9-]*$/;

export class UnitIdentifiedDto implements Omit<Payloads['unit-identified'], never> {
  @Matches(idPattern)
  modelId!: string;

  @IsInt()
  @Min(1)
  modelVersion!: number;

  @Matches(idPattern)
  revision!: string;

  @Matches(idPattern)
  configuration!: string;

  @Matches(idPattern)
  variant!: string;

  @Length(0, 60)
  serial!: string;
}

export class MarkDto implements Mark {
  @IsIn(findings)
  kind!: Finding;

  @Matches(idPattern)
  face!: string;

  @IsInt()
  @Min(1)
  @Max(9)
  field!: number;
}

export class MarkPlacedDto implements Omit<Payloads['mark-placed'], never> {
  @IsObject()
  @ValidateNested()
  @Type(() => MarkDto)
  mark!: MarkDto;
}

export class PhotoDto implements UnitPhoto {
  @IsUUID()
  id!: string;

  @ValidateIf((dto: PhotoDto) => dto.face !== null)
  @Matches(idPattern)
  face!: string | null;

  @ValidateIf((dto: PhotoDto) => dto.field !== null)
  @IsInt()
  @Min(1)
  @Max(9)
  field!: number | null;

  @IsOptional()
  @Matches(idPattern)
  operationId?: string;
}

export class PhotoTakenDto implements Omit<Payloads['photo-taken'], never> {
  @IsObject()
  @ValidateNested()
  @Type(() => PhotoDto)
  photo!: PhotoDto;
}

/** Quick tests at triage and proofs before sale are noted alike. */
export class TestNotedDto implements Omit<Payloads['test-noted'], never> {
  @IsIn(deviceTests)
  test!: DeviceTest;

  @IsIn(testResults)
  result!: TestResult;

  /** What the page on the unit read. */
  @IsOptional()
  @IsObject()
  @ValidateNested()
  @Type((given) => readDtoOf((given?.object as { read?: unknown } | undefined)?.read))
  read?: SelfRead;
}

export class WipeRecordedDto implements Omit<Payloads['wipe-recorded'], never> {
  @IsIn(wipeMethods)
  method!: WipeMethod;
}

export class UnitSetApartDto implements Omit<Payloads['unit-set-apart'], never> {
  @IsIn(['hazard'])
  place!: 'hazard';
}

export class UnitLetGoDto implements Omit<Payloads['unit-let-go'], never> {
  @IsIn(letGoCauses)
  because!: LetGoCause;
}

export class WeighedDto implements Weighed {
  @IsIn(dispositions)
  disposition!: Disposition;

  @IsInt()
  cents!: number;

  @IsInt()
  lowCents!: number;

  @IsInt()
  highCents!: number;
}

export class UnitDecidedDto implements Omit<Payloads['unit-decided'], never> {
  @IsIn(dispositions)
  disposition!: Disposition;

  @IsIn(dispositions)
  proposed!: Disposition;

  @ValidateIf((dto: UnitDecidedDto) => dto.apartPlace !== null)
  @IsIn(apartPlaces)
  apartPlace!: ApartPlace | null;

  @IsOptional()
  @IsArray()
  @ArrayMaxSize(dispositions.length)
  @ValidateNested({ each: true })
  @Type(() => WeighedDto)
  weighed?: WeighedDto[];
}
