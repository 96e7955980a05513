import 'reflect-metadata';
import { IsIn, IsInt, IsObject, IsOptional, IsUUID, Matches, Max, Min, ValidateIf } from 'class-validator';
import { mostOffS } from '@/core/shop/shopTime';
import { definitions, factTypes, type Fact, type FactType, type Payloads } from '@/core/shop/facts';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { parseDto } from '@/dto/parseDto';
import {
  CostSpreadDto,
  NothingDto,
  ParcelCorrectedDto,
  ParcelCountedDto,
  ParcelMadeDto,
  UndoneDto,
  UnitTaggedDto,
} from './dockDtos';
import {
  CellConditionedDto,
  PartBoughtDto,
  CellToppedUpDto,
  PartAssignedDto,
  PartReservedDto,
  PartGradedDto,
  PartHandedOverDto,
  PartReleasedDto,
  PartsPromisedDto,
  PartLookedAgainDto,
  PartShelvedDto,
  UnitProvenDto,
  UnitSentDto,
} from './partDtos';
import {
  BecauseDto,
  GateJudgedDto,
  PartTroubleDto,
  BitRenewedDto,
  ScrewTroubleDto,
  SheetReplannedDto,
  SheetStartedDto,
  NoteWrittenDto,
  StepDoneDto,
  ReuseJudgedDto,
  StepSkippedDto,
  TorqueReadDto,
  WaitBegunDto,
  StepResistedDto,
} from './sheetDtos';
import {
  MarkPlacedDto,
  TestNotedDto,
  UnitDecidedDto,
  UnitIdentifiedDto,
  PhotoTakenDto,
  UnitLetGoDto,
  UnitSetApartDto,
  WipeRecordedDto,
} from './triageDtos';
import { IsInstant } from '../times';

/** Facts that come from a browser. */
export const postedTypes = factTypes.filter((type) => definitions[type].isPosted);

class EnvelopeDto implements Omit<Fact, 'payload'> {
  @IsUUID()
  id!: string;

  @IsIn(postedTypes)
  type!: FactType;

  @IsUUID()
  subjectId!: string;

  @ValidateIf((dto: EnvelopeDto) => dto.expects !== null)
  @IsInt()
  @Min(1)
  expects!: number | null;

  @IsInstant()
  at!: string;

  @IsOptional()
  @IsInt()
  @Min(1)
  rulesVersion?: number;

  /** Where it was done; where the sender is signed in unless given. */
  @IsOptional()
  @Matches(/^[a-z0-9-]{1,40}$/)
  bench?: string;

  /** Seconds by which its sender put its own clock right already. */
  @IsOptional()
  @IsInt()
  @Min(-mostOffS)
  @Max(mostOffS)
  clockOffS?: number;

  @IsObject()
  payload!: object;
}

/** The request class of each; none for what only the server says. */
export const requestClasses: { readonly [T in FactType]: (new () => Payloads[T]) | null } = {
  'lines-expected': null,
  'parcel-made': ParcelMadeDto,
  'parcel-corrected': ParcelCorrectedDto,
  'parcel-removed': NothingDto,
  'unit-recalled': BecauseDto,
  'release-withdrawn': NothingDto,
  'cost-spread': CostSpreadDto,
  'parcel-counted': ParcelCountedDto,
  'unit-tagged': UnitTaggedDto,
  'unit-identified': UnitIdentifiedDto,
  'mark-placed': MarkPlacedDto,
  'test-noted': TestNotedDto,
  'wipe-recorded': WipeRecordedDto,
  'unit-decided': UnitDecidedDto,
  'unit-let-go': UnitLetGoDto,
  'unit-set-apart': UnitSetApartDto,
  'photo-taken': PhotoTakenDto,
  'sheet-started': SheetStartedDto,
  'sheet-replanned': SheetReplannedDto,
  'step-resisted': StepResistedDto,
  'step-done': StepDoneDto,
  'part-trouble': PartTroubleDto,
  'screw-trouble': ScrewTroubleDto,
  'bit-renewed': BitRenewedDto,
  'gate-judged': GateJudgedDto,
  'step-skipped': StepSkippedDto,
  'wait-begun': WaitBegunDto,
  'note-written': NoteWrittenDto,
  'torque-read': TorqueReadDto,
  'reuse-judged': ReuseJudgedDto,
  'hazard-cleared': NothingDto,
  'sheet-closed': BecauseDto,
  'part-bought': PartBoughtDto,
  'part-graded': PartGradedDto,
  'part-looked-again': PartLookedAgainDto,
  'part-shelved': PartShelvedDto,
  'part-reserved': PartReservedDto,
  'part-unreserved': NothingDto,
  'part-picked': NothingDto,
  'part-missed': BecauseDto,
  'cell-topped-up': CellToppedUpDto,
  'cell-conditioned': CellConditionedDto,
  'cell-taken-off': NothingDto,
  'part-scrapped': BecauseDto,
  'part-handed-over': PartHandedOverDto,
  'part-assigned': PartAssignedDto,
  'part-released': PartReleasedDto,
  'parts-promised': PartsPromisedDto,
  'unit-matched': NothingDto,
  'proof-noted': TestNotedDto,
  'unit-proven': UnitProvenDto,
  'unit-reworked': BecauseDto,
  'unit-sent': UnitSentDto,
  undone: UndoneDto,
};

/** Reads one fact from a request: envelope first, then the payload of its type. */
export function parseFact(input: unknown): Outcome<Fact> {
  const envelope = parseDto(EnvelopeDto, input);
  if (!envelope.ok) return envelope;
  const { type, expects, ...rest } = envelope.value;
  const { makesSubject, subject } = definitions[type];
  if (subject !== null && makesSubject !== (expects === null))
    return refuse('bad-input', { field: 'expects', says: 'it must be the version that was seen' });
  return withPayload({ ...rest, expects }, type, (input as { payload: unknown }).payload);
}

function withPayload<T extends FactType>(
  envelope: Omit<EnvelopeDto, 'type' | 'payload'>,
  type: T,
  given: unknown,
): Outcome<Fact<T>> {
  const requestClass = requestClasses[type];
  if (!requestClass) return refuse('bad-input', { field: 'type', says: 'only the server says this' });
  const payload = parseDto(requestClass, given);
  return payload.ok ? accept({ ...envelope, type, payload: payload.value }) : payload;
}
