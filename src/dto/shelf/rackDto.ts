import 'reflect-metadata';
import { IsBoolean, IsIn, IsInt, Max, Min, ValidateIf } from 'class-validator';
import { partCategories, type PartCategory } from '@/core/procedure/vocabulary';
import { mostBoxes, mostRoom, mostRows } from '@/core/shelf/racks';

/** A rack as it is to be. */
export class RackDto {
  @IsInt()
  @Min(1)
  @Max(mostRows)
  rows!: number;

  @IsInt()
  @Min(1)
  @Max(mostBoxes)
  boxes!: number;

  @IsInt()
  @Min(1)
  @Max(mostRoom)
  room!: number;

  @ValidateIf((_, value) => value !== null)
  @IsIn(partCategories)
  category!: PartCategory | null;

  @IsBoolean()
  isInUse!: boolean;
}
