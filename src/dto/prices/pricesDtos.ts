import 'reflect-metadata';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsInt,
  IsString,
  Length,
  Max,
  Min,
  ValidateIf,
  ValidateNested,
} from 'class-validator';
import { IsDay } from '../times';

const mostCents = 100_000_000;

class GradeCentsDto {
  @IsInt()
  @Min(0)
  @Max(mostCents)
  A!: number;

  @IsInt()
  @Min(0)
  @Max(mostCents)
  B!: number;

  @IsInt()
  @Min(0)
  @Max(mostCents)
  C!: number;

  @IsInt()
  @Min(0)
  @Max(mostCents)
  D!: number;
}

class PriceDto {
  @ValidateIf((_, value) => value !== null)
  @IsString()
  @Length(1, 60)
  partRef!: string | null;

  @ValidateNested()
  @Type(() => GradeCentsDto)
  cents!: GradeCentsDto;
}

/** Prices of one model from a day on. */
export class SetPricesDto {
  @IsString()
  @Length(1, 60)
  modelId!: string;

  @IsDay()
  fromDay!: string;

  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(300)
  @ValidateNested({ each: true })
  @Type(() => PriceDto)
  prices!: PriceDto[];
}
