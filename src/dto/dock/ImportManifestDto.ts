import 'reflect-metadata';
import { IsBoolean, IsInt, IsUUID, Min } from 'class-validator';

export class ImportManifestDto {
  @IsUUID()
  eventId!: string;

  @IsUUID()
  parcelId!: string;

  @IsInt()
  @Min(1)
  expects!: number;

  @IsBoolean()
  takesGoodRowsOnly!: boolean;
}
