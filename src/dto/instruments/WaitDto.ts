import 'reflect-metadata';
import { ArrayMaxSize, IsArray, IsIn, Matches, ValidateIf } from 'class-validator';
import { wishes, type BenchWait, type Wish } from '@/core/instruments/landing';

/** What the page in front of somebody waits for. */
export class WaitDto implements BenchWait {
  @ValidateIf((_, value) => value !== null)
  @Matches(/^P-\d{5,9}$/, { message: 'it must be a tag like P-00012' })
  part!: string | null;

  @IsArray()
  @ArrayMaxSize(40)
  @IsIn(wishes, { each: true })
  wants!: Wish[];
}
