import { IsIn, IsObject, IsUUID, Length, Matches } from 'class-validator';
import type { Payloads } from '@/core/shop/facts';
import type { Readings } from '@/core/grading/rules';
import { saleGrades, type SaleGrade } from '@/core/shared/grades';

export class PartGradedDto implements Omit<Payloads['part-graded'], never> {
  /** Checked against the attributes of the part's category by the core. */
  @IsObject()
  readings!: Readings;
}

export class PartShelvedDto implements Omit<Payloads['part-shelved'], never> {
  @Matches(/^[A-Z]{1,2}\d{2}$/, { message: 'it must be a bin like B07' })
  bin!: string;
}

export class PartAssignedDto implements Omit<Payloads['part-assigned'], never> {
  @Length(1, 60)
  slot!: string;

  @IsUUID()
  partId!: string;
}

export class PartReleasedDto implements Omit<Payloads['part-released'], never> {
  @Length(1, 60)
  slot!: string;
}

export class UnitProvenDto implements Omit<Payloads['unit-proven'], never> {
  @IsIn(saleGrades)
  cosmetic!: SaleGrade;
}

export class UnitSentDto implements Omit<Payloads['unit-sent'], never> {
  @Matches(/^S-\d{4,}$/, { message: 'it must be a shipment like S-0012' })
  shipment!: string;

  @Length(1, 80)
  recipient!: string;
}
