import { ArrayMaxSize, IsArray, IsBoolean, IsIn, IsInt, IsOptional, Max, Min } from 'class-validator';
import { printerTroubles, type PrinterSays, type PrinterTrouble } from '@/core/instruments/printing';

/** A printer takes at most so many labels on at once. */
export const mostLabelsAtOnce = 20;

/** What a label printer says: docs/formats/printing.md. */
export class PrinterSaysDto implements PrinterSays {
  @IsArray()
  @ArrayMaxSize(500)
  @IsInt({ each: true })
  @Min(1, { each: true })
  printed!: number[];

  @IsInt()
  @Min(0)
  @Max(mostLabelsAtOnce)
  room!: number;

  @IsOptional()
  @IsIn(printerTroubles)
  trouble?: PrinterTrouble | null;

  @IsOptional()
  @IsBoolean()
  isSimulated?: boolean;
}
