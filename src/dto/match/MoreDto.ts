import { IsInt, Max, Min } from 'class-validator';

/** What a plan brings, against which one more is weighed. */
export class MoreDto {
  @IsInt()
  @Min(-1_000_000_000)
  @Max(1_000_000_000)
  cents!: number;
}
