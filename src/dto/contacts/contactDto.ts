import 'reflect-metadata';
import { IsIn, IsString, Length, Matches, ValidateIf } from 'class-validator';
import { contactKinds, type ContactKind } from '@/core/contacts/contacts';

/** A supplier or customer as they are to be noted. */
export class ContactDto {
  @IsIn(contactKinds)
  kind!: ContactKind;

  @IsString()
  @Length(1, 80)
  @Matches(/\S/, { message: 'a name has at least one letter' })
  name!: string;

  @ValidateIf((_, value) => value !== null)
  @IsString()
  @Length(1, 200)
  address!: string | null;
}
