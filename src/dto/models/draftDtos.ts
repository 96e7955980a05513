import 'reflect-metadata';
import { IsIn, IsInt, IsNotEmptyObject, IsObject, IsOptional, IsString, IsUUID, Length, Min } from 'class-validator';
import { deviceKinds, type DeviceKind } from '@/core/procedure/vocabulary';

export const draftSources = ['model', 'nothing', 'document'] as const;

export class OpenDraftDto {
  @IsUUID()
  id!: string;

  @IsIn(draftSources)
  from!: (typeof draftSources)[number];

  @IsOptional()
  @Length(1, 60)
  @IsString()
  modelId?: string;

  @IsOptional()
  @Length(1, 40)
  @IsString()
  maker?: string;

  @IsOptional()
  @Length(1, 60)
  @IsString()
  name?: string;

  @IsOptional()
  @IsIn(deviceKinds)
  kind?: DeviceKind;

  @IsOptional()
  @IsObject()
  document?: object;
}

export class SaveDraftDto {
  @IsUUID()
  saveId!: string;

  @IsInt()
  @Min(1)
  expects!: number;

  @IsNotEmptyObject()
  document!: object;
}

export class PublishDraftDto {
  @IsInt()
  @Min(1)
  expects!: number;

  @Length(3, 200)
  @IsString()
  note!: string;
}
