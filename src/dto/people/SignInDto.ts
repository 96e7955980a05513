import 'reflect-metadata';
import { IsUUID, Length, Matches } from 'class-validator';

export class SignInDto {
  @IsUUID()
  personId!: string;

  @Matches(/^\d{4,8}$/, { message: 'a PIN has four to eight digits' })
  pin!: string;

  @Length(1, 20)
  bench!: string;
}
