import 'reflect-metadata';
import { Type } from 'class-transformer';
import { ArrayMaxSize, ArrayMinSize, IsArray, Matches, ValidateNested } from 'class-validator';
import type { Seen } from '@/core/shelf/countBin';

/** So many bins, and tags, are counted at a time. */
export const mostBins = 100;
export const mostSeen = 5000;

const bin = /^[A-Z]{1,2}\d{2}$/;

class SeenDto implements Seen {
  @Matches(/^P-\d{5,9}$/, { message: 'it must be a tag like P-00012' })
  tag!: string;

  @Matches(bin, { message: 'it must be a bin like B07' })
  bin!: string;
}

/** The bins that were gone through, and which part was seen in which. */
export class CountDto {
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(mostBins)
  @Matches(bin, { each: true, message: 'it must be a bin like B07' })
  bins!: string[];

  @IsArray()
  @ArrayMaxSize(mostSeen)
  @ValidateNested({ each: true })
  @Type(() => SeenDto)
  seen!: SeenDto[];
}
