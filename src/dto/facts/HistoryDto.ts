import 'reflect-metadata';
import { IsIn, IsOptional, IsUUID, Length, Matches } from 'class-validator';
import { factKinds, type FactKind } from '@/core/shop/facts';
import type { HistoryQuery } from '@/core/shop/historyQuery';
import { accept, type Outcome } from '@/core/shared/outcome';
import { parseDto } from '../parseDto';
import { IsDay } from '../times';

class HistoryDto {
  @IsOptional()
  @IsUUID()
  person?: string;

  @IsOptional()
  @Length(1, 20)
  bench?: string;

  @IsOptional()
  @IsIn(Object.keys(factKinds))
  kind?: FactKind;

  @IsOptional()
  @IsDay()
  day?: string;

  @IsOptional()
  @Matches(/^\d{1,12}$/)
  before?: string;
}

/** Reads what of the history an address asks for; what is there but empty asks for nothing. */
export function parseHistory(
  given: Readonly<Record<string, string | readonly string[] | undefined>>,
): Outcome<HistoryQuery> {
  const said = Object.fromEntries(Object.entries(given).filter(([, value]) => value !== undefined && value !== ''));
  const parsed = parseDto(HistoryDto, said);
  if (!parsed.ok) return parsed;
  const { person, bench, kind, day, before } = parsed.value;
  return accept({
    ...(person && { personId: person }),
    ...(bench && { bench }),
    ...(kind && { kind }),
    ...(day && { day }),
    ...(before && { before: Number(before) }),
  });
}
