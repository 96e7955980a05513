import 'reflect-metadata';
import { Length } from 'class-validator';

/** An instrument by the name people call it. */
export class InstrumentKeyDto {
  @Length(1, 60)
  name!: string;
}
