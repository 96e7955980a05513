import 'reflect-metadata';
import { IsInt, IsObject, Min } from 'class-validator';

/** A document of house rules to look at; the document itself is read by its schema. */
export class LookAtRulesDto {
  @IsObject()
  document!: object;
}

/** A document of house rules to become the next version. */
export class ChangeRulesDto extends LookAtRulesDto {
  /** The version that was seen. */
  @IsInt()
  @Min(1)
  expects!: number;
}
