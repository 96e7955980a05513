import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsNumber,
  Equals,
  IsOptional,
  IsString,
  IsUUID,
  Length,
  Matches,
  Max,
  Min,
  ValidateIf,
  ValidateNested,
} from 'class-validator';
import type { PartTrouble } from '@/core/entities/entities';
import type { Payloads } from '@/core/shop/facts';
import type { FreedPart } from '@/core/entities/entities';
import {
  defectCodes,
  partStates,
  replanCauses,
  screwTroubles,
  skipCauses,
  type DefectCode,
  type PartState,
  type ReplanCause,
  type ScrewTroubleKind,
  type SkipCause,
} from '@/core/entities/stages';
import type { TorqueReading } from '@/core/screws/torqueState';
import { drivePattern } from '@/core/procedure/drives';
import { findings, type Finding } from '@/core/procedure/vocabulary';
import { screwKeepings, type ScrewKeeping } from '@/core/shared/houseRules';
import { sheetKinds, type SheetKind } from '@/core/teardown/sheet/runSheet';

const stepPattern = /^(out|back|gate):[a-z0-9-]+(~\d{1,3})?$/;
const longestStepSeconds = 24 * 3600;
const longestWaitMinutes = 7 * 24 * 60;

export class SheetStartedDto implements Omit<Payloads['sheet-started'], never> {
  @IsIn(sheetKinds)
  kind!: SheetKind;

  @IsArray()
  @ArrayMaxSize(100)
  @IsString({ each: true })
  targets!: string[];

  @IsIn(screwKeepings)
  keeping!: ScrewKeeping;
}

export class SheetReplannedDto implements Omit<Payloads['sheet-replanned'], never> {
  @IsIn(replanCauses)
  because!: ReplanCause;

  @IsArray()
  @ArrayMaxSize(100)
  @IsString({ each: true })
  targets!: string[];

  @IsArray()
  @IsIn(findings, { each: true })
  findings!: Finding[];

  @IsArray()
  @ArrayMaxSize(300)
  @IsString({ each: true })
  barred!: string[];

  @IsArray()
  @ArrayMaxSize(100)
  @IsString({ each: true })
  again!: string[];
}

export class StepResistedDto implements Omit<Payloads['step-resisted'], never> {
  @Matches(stepPattern)
  stepId!: string;

  @IsInt()
  @Min(0)
  @Max(20)
  rung!: number;

  @IsNumber()
  @Min(0)
  @Max(longestStepSeconds)
  seconds!: number;

  @IsOptional()
  @Equals(true)
  isHandedOver?: true;
}

export class FreedPartDto implements Omit<FreedPart, 'tag'> {
  @IsUUID()
  partId!: string;

  @Length(1, 60)
  partRef!: string;

  @IsIn(partStates)
  state!: PartState;
}

export class StepDoneDto implements Omit<Payloads['step-done'], never> {
  @Matches(stepPattern)
  stepId!: string;

  @IsNumber()
  @Min(0)
  @Max(longestStepSeconds)
  seconds!: number;

  @IsArray()
  @ArrayMaxSize(50)
  @ValidateNested({ each: true })
  @Type(() => FreedPartDto)
  freed!: FreedPartDto[];

  @IsOptional()
  @Length(1, 60)
  endId?: string;

  @IsOptional()
  @IsNumber()
  @Min(0)
  @Max(longestStepSeconds)
  awaySeconds?: number;

  @IsOptional()
  @IsBoolean()
  isCensored?: boolean;
}

export class StepSkippedDto implements Omit<Payloads['step-skipped'], never> {
  @Matches(stepPattern)
  stepId!: string;

  @IsIn(skipCauses)
  because!: SkipCause;
}

export class WaitBegunDto implements Omit<Payloads['wait-begun'], never> {
  @Matches(stepPattern)
  stepId!: string;

  @Length(1, 60)
  fixture!: string;

  @IsInt()
  @Min(1)
  @Max(99)
  place!: number;

  @IsNumber()
  @Min(0.1)
  @Max(longestWaitMinutes)
  minutes!: number;
}

export class TorqueReadDto implements TorqueReading {
  @Matches(stepPattern)
  stepId!: string;

  @Length(1, 60)
  jointId!: string;

  @IsNumber()
  @Min(0)
  @Max(1000)
  newtonCm!: number;

  @IsBoolean()
  isKept!: boolean;
}

export class ReuseJudgedDto implements Omit<Payloads['reuse-judged'], never> {
  @Matches(stepPattern)
  stepId!: string;

  @Length(1, 60)
  partRef!: string;

  @IsBoolean()
  isReused!: boolean;
}

export class NoteWrittenDto implements Omit<Payloads['note-written'], never> {
  @ValidateIf((dto: NoteWrittenDto) => dto.stepId !== null)
  @Matches(stepPattern)
  stepId!: string | null;

  @Length(1, 500)
  text!: string;
}

export class PartTroubleDto implements PartTrouble {
  @Matches(stepPattern)
  stepId!: string;

  @Length(1, 60)
  partRef!: string;

  @IsIn(partStates.filter((state) => state !== 'sound'))
  state!: PartTrouble['state'];

  @ValidateIf((dto: PartTroubleDto) => dto.defectCode !== null)
  @IsIn(defectCodes)
  defectCode!: DefectCode | null;
}

export class ScrewTroubleDto implements Omit<Payloads['screw-trouble'], never> {
  @Matches(stepPattern)
  stepId!: string;

  @IsIn(screwTroubles)
  kind!: ScrewTroubleKind;

  @IsInt()
  @Min(1)
  @Max(50)
  count!: number;
}

export class BitRenewedDto implements Omit<Payloads['bit-renewed'], never> {
  @Matches(drivePattern)
  drive!: string;
}

export class GateJudgedDto implements Omit<Payloads['gate-judged'], never> {
  @Matches(stepPattern)
  stepId!: string;

  @IsBoolean()
  hasPassed!: boolean;

  @IsOptional()
  @Matches(/^[a-z0-9][a-z0-9-]{0,59}$/)
  redo?: string;
}

export class BecauseDto {
  @Length(1, 200)
  because!: string;
}
