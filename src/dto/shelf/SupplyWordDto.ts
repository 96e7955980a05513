import 'reflect-metadata';
import { Type } from 'class-transformer';
import { IsIn, IsInt, Length, Max, Min, ValidateIf, ValidateNested } from 'class-validator';
import type { SupplyWord } from '@/core/supplies/stockOf';

const says = ['counted', 'received', 'lead'] as const;

class WordDto {
  @IsIn(says)
  says!: SupplyWord['says'];

  @ValidateIf((dto: WordDto) => dto.says !== 'lead')
  @IsInt()
  @Min(0)
  @Max(1_000_000)
  count!: number;

  @ValidateIf((dto: WordDto) => dto.says === 'counted')
  @Length(1, 100)
  because!: string;

  @ValidateIf((dto: WordDto) => dto.says === 'lead')
  @IsInt()
  @Min(0)
  @Max(365)
  days!: number;
}

/** What somebody says of a supply, with the version that they saw. */
export class SupplyWordDto {
  @Length(1, 160)
  key!: string;

  @IsInt()
  @Min(0)
  @Max(1_000_000_000)
  expects!: number;

  @ValidateNested()
  @Type(() => WordDto)
  word!: SupplyWord;
}
