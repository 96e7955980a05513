import 'reflect-metadata';
import { IsBoolean, IsIn, IsInt, IsString, Length, Matches, Min, ValidateIf } from 'class-validator';
import { roles, type Role } from '@/core/people/roles';
import { IsDay } from '../times';

/** Somebody new. */
export class AddPersonDto {
  @IsString()
  @Length(1, 60)
  @Matches(/\S/, { message: 'a name has at least one letter' })
  name!: string;

  @IsIn(roles)
  role!: Role;

  @ValidateIf((_, value) => value !== null)
  @Length(1, 20)
  usualBench!: string | null;

  @ValidateIf((_, value) => value !== null)
  @IsDay()
  certifiedUntil!: string | null;
}

/** What is said of somebody from now on. */
export class ChangePersonDto extends AddPersonDto {
  @IsBoolean()
  hasLeft!: boolean;

  /** The version that was seen. */
  @IsInt()
  @Min(1)
  expects!: number;
}

/** A bench as it is to be. */
export class BenchDto {
  @IsString()
  @Length(1, 40)
  @Matches(/\S/, { message: 'a name has at least one letter' })
  name!: string;

  @IsBoolean()
  isInUse!: boolean;
}

/** Who really did something. */
export class DoerDto {
  @IsString()
  @Length(1, 36)
  personId!: string;
}
