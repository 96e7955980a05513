import { IsNumber, Max, Min } from 'class-validator';
import type { DischargeLimits } from '@/core/battery/dischargeLog';

/** What a log is read by: the label's rating, and how far the cell was to be run down. */
export class BatteryLogDto implements DischargeLimits {
  @IsNumber()
  @Min(0.01)
  @Max(100)
  ratedAmpHours!: number;

  @IsNumber()
  @Min(0.5)
  @Max(60)
  cutOffVolt!: number;
}
