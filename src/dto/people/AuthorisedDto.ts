import 'reflect-metadata';
import { IsObject, IsUUID, Matches } from 'class-validator';

/** A fact by the word of somebody who is not signed in here. */
export class AuthorisedDto {
  @IsUUID()
  personId!: string;

  @Matches(/^\d{4,8}$/, { message: 'a PIN has four to eight digits' })
  pin!: string;

  @IsObject()
  fact!: object;
}
