import 'reflect-metadata';
import { Type } from 'class-transformer';
import { IsObject, IsOptional, IsUUID, Matches, ValidateNested } from 'class-validator';
import type { SelfRead } from '@/core/selfTest/reads';
import { readDtoOf } from './selfReadDtos';

/** A page is asked for, on a unit; of a part that is read in it, where it is about one. */
export class SelfTestDto {
  @IsUUID()
  unitId!: string;

  @IsOptional()
  @Matches(/^P-\d{5,9}$/, { message: 'it must be a tag like P-00012' })
  part?: string;
}

/** What the page on a unit read; its id is the page's, so that what is sent twice counts once. */
export class SelfReadDto {
  @IsUUID()
  id!: string;

  @IsObject()
  @ValidateNested()
  @Type((given) => readDtoOf((given?.object as { read?: unknown } | undefined)?.read))
  read!: SelfRead;
}
