import 'reflect-metadata';
import { IsIn, IsInt, IsISO8601, IsObject, IsUUID, Min, ValidateIf } from 'class-validator';
import { eventTypes, type BenchEvent, type EventType } from '@/core/bench/events';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { parseDto } from '@/dto/parseDto';
import { CostSpreadDto, NothingDto, ParcelCountedDto, ParcelMadeDto, UndoneDto, UnitTaggedDto } from './dockDtos';
import {
  PartAssignedDto,
  PartGradedDto,
  PartReleasedDto,
  PartShelvedDto,
  UnitProvenDto,
  UnitSentDto,
} from './partDtos';
import {
  BecauseDto,
  GateJudgedDto,
  PartTroubleDto,
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

/** Facts that come from a browser. A manifest is read from its file by the server alone. */
export type PostedEventType = Exclude<EventType, 'lines-expected'>;

const postedTypes = eventTypes.filter((type) => type !== 'lines-expected');

class EnvelopeDto implements Omit<BenchEvent, 'payload'> {
  @IsUUID()
  id!: string;

  @IsIn(postedTypes)
  type!: EventType;

  @IsUUID()
  subjectId!: string;

  @ValidateIf((dto: EnvelopeDto) => dto.expects !== null)
  @IsInt()
  @Min(1)
  expects!: number | null;

  @IsISO8601({ strict: true })
  at!: string;

  @IsObject()
  payload!: object;
}

const payloadDtos: Readonly<Record<PostedEventType, new () => object>> = {
  'parcel-made': ParcelMadeDto,
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
  'gate-judged': GateJudgedDto,
  'step-skipped': StepSkippedDto,
  'wait-begun': WaitBegunDto,
  'note-written': NoteWrittenDto,
  'torque-read': TorqueReadDto,
  'reuse-judged': ReuseJudgedDto,
  'hazard-cleared': NothingDto,
  'sheet-closed': BecauseDto,
  'part-graded': PartGradedDto,
  'part-shelved': PartShelvedDto,
  'part-scrapped': BecauseDto,
  'part-assigned': PartAssignedDto,
  'part-released': PartReleasedDto,
  'unit-matched': NothingDto,
  'proof-noted': TestNotedDto,
  'unit-proven': UnitProvenDto,
  'unit-reworked': BecauseDto,
  'unit-sent': UnitSentDto,
  undone: UndoneDto,
};

/** Facts that make their subject expect no version; all others must say which one the person saw. */
const makesSubject: ReadonlySet<EventType> = new Set<EventType>(['parcel-made', 'unit-tagged']);

/** Reads one fact from a request: envelope first, then the payload of its type. */
export function parseEvent(input: unknown): Outcome<BenchEvent> {
  const envelope = parseDto(EnvelopeDto, input);
  if (!envelope.ok) return envelope;
  const { type, expects } = envelope.value;
  if (type !== 'undone' && (expects === null) !== makesSubject.has(type)) {
    return refuse('bad-input', { field: 'expects', says: 'it must be the version that was seen' });
  }
  const payload = parseDto(payloadDtos[type as PostedEventType], (input as { payload: unknown }).payload);
  return payload.ok ? accept({ ...envelope.value, payload: payload.value } as BenchEvent) : payload;
}
