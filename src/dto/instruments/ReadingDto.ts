import 'reflect-metadata';
import {
  ArrayMaxSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsNumber,
  IsOptional,
  IsUUID,
  Length,
  Matches,
  Max,
  Min,
} from 'class-validator';
import { speakers, type CellSample, type ReadingMessage, type Speaker } from '@/core/instruments/message';
import { IsInstant } from '../times';

/** So many samples go into one message. */
export const mostSamples = 2000;

/** A message of an instrument: docs/formats/readings.md. */
export class ReadingDto implements ReadingMessage {
  @IsUUID()
  id!: string;

  @IsIn(speakers)
  instrument!: Speaker;

  @IsInstant()
  at!: string;

  @IsOptional()
  @Matches(/^P-\d{5,9}$/, { message: 'it must be a tag like P-00012' })
  part?: string;

  @IsOptional()
  @IsNumber()
  @Min(-1e9)
  @Max(1e9)
  value?: number;

  @IsOptional()
  @Length(1, 8)
  unit?: string;

  @IsOptional()
  @IsNumber()
  @Min(0)
  @Max(1e9)
  plusMinus?: number;

  @IsOptional()
  @Length(1, 60)
  code?: string;

  /** What is in them is checked where the log is counted. */
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(mostSamples)
  samples?: CellSample[];

  @IsOptional()
  @IsBoolean()
  isLast?: boolean;

  @IsOptional()
  @IsBoolean()
  isSimulated?: boolean;
}
