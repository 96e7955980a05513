import 'reflect-metadata';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  IsArray,
  IsIn,
  IsInt,
  IsNumber,
  IsOptional,
  IsString,
  IsUUID,
  Length,
  Matches,
  Max,
  MaxLength,
  Min,
  ValidateNested,
} from 'class-validator';
import type { ScrewCount } from '@/core/drafting/parseJoints';
import { verbNames, type LogEntry, type OpeningHead, type Verb } from '@/core/opening/openingLog';
import { drivePattern } from '@/core/procedure/drives';
import { deviceKinds } from '@/core/procedure/vocabulary';

export class StartOpeningDto implements OpeningHead {
  @IsUUID()
  id!: string;

  @Length(1, 40)
  @IsString()
  maker!: OpeningHead['maker'];

  @Length(1, 60)
  @IsString()
  name!: OpeningHead['name'];

  @IsIn(deviceKinds)
  kind!: OpeningHead['kind'];

  @MaxLength(200)
  @IsString()
  proofOfOff!: OpeningHead['proofOfOff'];
}

class ScrewCountDto implements ScrewCount {
  @Matches(drivePattern)
  @IsString()
  drive!: ScrewCount['drive'];

  @IsOptional()
  @Max(100)
  @Min(0.1)
  @IsNumber()
  lengthMm?: number;

  @Max(99)
  @Min(1)
  @IsInt()
  count!: ScrewCount['count'];
}

class LogEntryDto implements LogEntry {
  @IsUUID()
  id!: LogEntry['id'];

  @IsIn(['out', 'back'])
  leg!: LogEntry['leg'];

  @IsIn(verbNames)
  verb!: Verb;

  @Length(1, 40)
  @IsString()
  thing!: LogEntry['thing'];

  @MaxLength(40)
  @IsString()
  tool!: LogEntry['tool'];

  @ValidateNested({ each: true })
  @Type(() => ScrewCountDto)
  @ArrayMaxSize(20)
  @IsArray()
  screws!: ScrewCountDto[];

  @MaxLength(40)
  @IsString()
  face!: LogEntry['face'];

  @MaxLength(40)
  @IsString()
  posture!: LogEntry['posture'];

  @MaxLength(120)
  @IsString()
  trouble!: LogEntry['trouble'];

  @Max(86_400)
  @Min(0)
  @IsNumber()
  seconds!: LogEntry['seconds'];
}

export class StepChangeDto {
  @IsIn(['log', 'take-back'])
  does!: 'log' | 'take-back';

  @IsOptional()
  @Max(99)
  @Min(1)
  @IsInt()
  log?: number;

  @IsOptional()
  @Max(999)
  @Min(1)
  @IsInt()
  place?: number;

  @IsOptional()
  @ValidateNested()
  @Type(() => LogEntryDto)
  entry?: LogEntryDto;

  @IsOptional()
  @IsUUID()
  entryId?: string;
}

export class DraftOpeningDto {
  @IsUUID()
  draftId!: string;
}
