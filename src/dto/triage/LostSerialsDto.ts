import { ArrayMaxSize, IsArray, Length } from 'class-validator';

export class LostSerialsDto {
  @IsArray()
  @ArrayMaxSize(10_000)
  @Length(3, 60, { each: true })
  serials!: string[];
}
