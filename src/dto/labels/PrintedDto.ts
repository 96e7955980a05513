import { ArrayMaxSize, IsArray, IsInt, Min } from 'class-validator';

/** Jobs that came out of the printer. */
export class PrintedDto {
  @IsArray()
  @ArrayMaxSize(500)
  @IsInt({ each: true })
  @Min(1, { each: true })
  ids!: number[];
}
