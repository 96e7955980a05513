import 'reflect-metadata';
import { IsIn, IsOptional, IsString, Length, Matches } from 'class-validator';
import { accept, type Outcome } from '@/core/shared/outcome';
import { parseTag, type TagLetter } from '@/core/shared/tags';
import { parseDto } from '../parseDto';

export const readingFormats = ['json', 'csv'] as const;

class PageDto {
  @IsOptional()
  @Length(1, 14)
  after?: string;

  @IsOptional()
  @Matches(/^\d{1,5}$/, { message: 'limit is a number from 1 to 1000' })
  limit?: string;

  @IsOptional()
  @IsIn(readingFormats)
  as?: (typeof readingFormats)[number];
}

export interface Page {
  readonly after: string | undefined;
  readonly limit: number;
  readonly isCsv: boolean;
}

const usual = 200;
const most = 1000;

/** Reads which page of a list is asked for. @param letter of the tags after which it begins */
export function parsePage(given: URLSearchParams, letter?: TagLetter): Outcome<Page> {
  const parsed = parseDto(PageDto, Object.fromEntries(given));
  if (!parsed.ok) return parsed;
  const { after, limit, as } = parsed.value;
  const tag = after === undefined || letter === undefined ? undefined : parseTag(after);
  return accept({
    after: letter === undefined ? after : tag?.letter === letter ? tag.tag : undefined,
    limit: Math.min(most, Math.max(1, Number(limit ?? usual))),
    isCsv: as === 'csv',
  });
}

/** A key for a program of the shop's own. */
export class ReadKeyDto {
  @IsString()
  @Length(1, 60)
  @Matches(/\S/, { message: 'a name has at least one letter' })
  name!: string;
}
