import { Type } from 'class-transformer';
import { ArrayMaxSize, IsArray, IsIn, IsInt, IsUUID, Length, Matches, Min, ValidateNested } from 'class-validator';
import { fates, type Fate } from '@/core/matchPlan/problem';

class AcceptedFillDto {
  @Length(1, 130)
  slot!: string;

  /** Of a lot, as the plan names it. */
  @Length(1, 400)
  from!: string;
}

class AcceptedGiftDto {
  @Length(1, 130)
  slot!: string;

  @Matches(/^U-\d{4,9}$/, { message: 'it must be the tag of a unit, like U-0744' })
  for!: string;
}

class AcceptedUnitDto {
  @IsUUID()
  id!: string;

  /** The unit as the plan saw it. */
  @IsInt()
  @Min(0)
  version!: number;

  @IsIn(fates)
  fate!: Fate;

  /** What Triage would have done with it: its proposals are held to what was done. */
  @IsIn(fates)
  proposed!: Fate;

  @IsArray()
  @ArrayMaxSize(60)
  @ValidateNested({ each: true })
  @Type(() => AcceptedFillDto)
  fills!: AcceptedFillDto[];

  /** Of a donor: what goes to other units. */
  @IsArray()
  @ArrayMaxSize(60)
  @ValidateNested({ each: true })
  @Type(() => AcceptedGiftDto)
  gives!: AcceptedGiftDto[];
}

/** Units of a plan that a lead accepts, with the parts that the shelf gives to them. */
export class AcceptPlanDto {
  @IsArray()
  @ArrayMaxSize(400)
  @ValidateNested({ each: true })
  @Type(() => AcceptedUnitDto)
  units!: AcceptedUnitDto[];
}
