import 'reflect-metadata';
import { Type } from 'class-transformer';
import { IsBoolean, IsInt, IsObject, IsOptional, IsUUID, Max, Min, ValidateNested } from 'class-validator';
import { manifestFields, type ColumnMapping, type ManifestField } from '@/core/intake/columnMapping';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { parseDto } from '@/dto/parseDto';

export class ImportManifestDto {
  @IsUUID()
  factId!: string;

  @IsUUID()
  parcelId!: string;

  @IsInt()
  @Min(1)
  expects!: number;

  @IsBoolean()
  takesGoodRowsOnly!: boolean;
}

const mostColumns = 200;

class ColumnsDto implements Partial<Record<ManifestField, number>> {
  @IsOptional() @IsInt() @Min(0) @Max(mostColumns) line?: number;
  @IsOptional() @IsInt() @Min(0) @Max(mostColumns) maker?: number;
  @IsOptional() @IsInt() @Min(0) @Max(mostColumns) model?: number;
  @IsOptional() @IsInt() @Min(0) @Max(mostColumns) serial?: number;
  @IsOptional() @IsInt() @Min(0) @Max(mostColumns) note?: number;
}

class ColumnMappingDto {
  @IsBoolean()
  hasHeading!: boolean;

  @IsObject()
  @ValidateNested()
  @Type(() => ColumnsDto)
  columns!: ColumnsDto;
}

/** Which column is which, as JSON text of a form; undefined when nothing was said. */
export function parseMapping(text: unknown): Outcome<ColumnMapping | undefined> {
  if (text === null || text === undefined || text === '') return accept(undefined);
  try {
    const parsed = parseDto(ColumnMappingDto, JSON.parse(String(text)));
    if (!parsed.ok) return parsed;
    const { hasHeading, columns } = parsed.value;
    const said = manifestFields.flatMap((field) => (columns[field] === undefined ? [] : [[field, columns[field]]]));
    return accept({ hasHeading, columns: Object.fromEntries(said) as ColumnMapping['columns'] });
  } catch {
    return refuse('bad-input', { field: 'mapping', says: 'it is no JSON' });
  }
}
