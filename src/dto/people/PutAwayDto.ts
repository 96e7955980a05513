import 'reflect-metadata';
import { IsIn } from 'class-validator';
import { guides, type Guide } from '@/core/people/guides';

/** A guide that somebody needs no more. */
export class PutAwayDto {
  @IsIn(guides)
  guide!: Guide;
}
