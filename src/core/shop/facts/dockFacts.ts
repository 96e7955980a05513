import { accept, refuse } from '@/core/shared/outcome';
import type { Parcel, ParcelLine, Unit } from '@/core/entities/entities';
import type { CostRule } from '@/core/shared/costRule';
import { define, on, type Finder, type Involves, type Nothing } from '../define';
import { unitChange, type Change } from '../world';

const parcelNamed: Finder<Parcel, unknown> = (world, { subjectId }) => {
  const parcel = world.find('parcel', subjectId);
  return parcel ? accept(parcel) : refuse('not-found', { id: subjectId });
};

const parcelChange = (before: Parcel, after: Parcel): Change => ({ kind: 'parcel', id: before.id, before, after });

/** What stands on a parcel's papers. */
interface ParcelPapers {
  readonly code: string;
  readonly supplier: string;
  readonly pricePaidCents: number;
  readonly transportCents: number;
  readonly receivedOn: string;
}

/** Dock: a parcel arrives, its expected list is read, its units get tags. */
export const dockFacts = {
  'parcel-made': define<ParcelPapers>({
    subject: 'parcel',
    makesSubject: true,
    saidBy: 'technician',
    isPosted: true,
    involves: ({ code }) => ({ parcelCode: code }),
    effect: (world, { id, subjectId, payload }) => {
      if (world.hasParcelCode(payload.code)) return refuse('code-taken', { code: payload.code });
      const parcel: Parcel = {
        id: subjectId,
        ...payload,
        lineCount: 0,
        costRule: 'even',
        isCounted: false,
        version: 0,
        lastFactId: id,
      };
      return accept([{ kind: 'parcel', id: subjectId, before: null, after: parcel }]);
    },
  }),

  /** Its papers were read wrong. What was computed from them is computed anew. */
  'parcel-corrected': define<ParcelPapers>({
    subject: 'parcel',
    saidBy: 'technician',
    isPosted: true,
    involves: ({ code }) => ({ parcelCode: code }),
    effect: on(parcelNamed, (parcel, { payload }, world) => {
      if (payload.code !== parcel.code && world.hasParcelCode(payload.code))
        return refuse('code-taken', { code: payload.code });
      return accept([parcelChange(parcel, { ...parcel, ...payload })]);
    }),
  }),

  /** Nothing of it was tagged: it goes, with its list. */
  'parcel-removed': define<Nothing>({
    subject: 'parcel',
    saidBy: 'technician',
    isPosted: true,
    involves: () => ({ needsContents: true }),
    effect: on(parcelNamed, (parcel, _, world) => {
      const count = world.countUnits(parcel.id);
      if (count > 0) return refuse('not-empty', { code: parcel.code, count });
      return accept([
        { kind: 'parcel', id: parcel.id, before: parcel, after: null },
        ...world.linesOf(parcel.id).map((line): Change => ({ kind: 'line', id: line.id, before: line, after: null })),
      ]);
    }),
  }),

  'lines-expected': define<{
    readonly fileName: string;
    readonly lines: readonly Pick<ParcelLine, 'lineNo' | 'maker' | 'model' | 'serial' | 'note'>[];
  }>({
    subject: 'parcel',
    saidBy: 'technician',
    /** The server alone reads a list from its file. */
    isPosted: false,
    effect: on(parcelNamed, (parcel, { id, subjectId, payload }, world) => {
      const lines = payload.lines.map((line): Change => {
        const lineId = `${subjectId}/${line.lineNo}`;
        const after: ParcelLine = { id: lineId, parcelId: subjectId, ...line, version: 0, lastFactId: id };
        return { kind: 'line', id: lineId, before: null, after };
      });
      const taken = lines.find((line) => world.find('line', line.id));
      if (taken) return refuse('line-taken', { line: taken.id.split('/').at(-1) ?? '' });
      const counted: Parcel = { ...parcel, lineCount: parcel.lineCount + lines.length };
      return accept([parcelChange(parcel, counted), ...lines]);
    }),
  }),

  'cost-spread': define<{ readonly rule: CostRule }>({
    subject: 'parcel',
    saidBy: 'technician',
    isPosted: true,
    effect: on(parcelNamed, (parcel, { payload: { rule } }) =>
      accept([parcelChange(parcel, { ...parcel, costRule: rule })]),
    ),
  }),

  'parcel-counted': define<{ readonly isCounted: boolean }>({
    subject: 'parcel',
    saidBy: 'technician',
    isPosted: true,
    effect: on(parcelNamed, (parcel, { payload: { isCounted } }) =>
      accept([parcelChange(parcel, { ...parcel, isCounted })]),
    ),
  }),

  'unit-tagged': define<{ readonly parcelId: string; readonly lineNo: number | null; readonly tag?: string }>({
    subject: 'unit',
    makesSubject: true,
    saidBy: 'technician',
    isPosted: true,
    involves: involvedInTagging,
    tagsNeeded: () => ({ unit: 1, part: 0 }),
    completed: (payload, { unitTags }) => ({ ...payload, tag: unitTags[0] }),
    effect: (world, { id, subjectId, payload }) => {
      if (!world.find('parcel', payload.parcelId)) return refuse('not-found', { id: payload.parcelId });
      if (payload.lineNo !== null) {
        if (!world.find('line', `${payload.parcelId}/${payload.lineNo}`))
          return refuse('not-found', { id: payload.lineNo });
        const holder = world.findUnitByLine(payload.parcelId, payload.lineNo);
        if (holder) return refuse('line-taken', { line: payload.lineNo, tag: holder.tag });
      }
      const unit: Unit = {
        id: subjectId,
        tag: payload.tag ?? '…',
        parcelId: payload.parcelId,
        lineNo: payload.lineNo,
        stage: 'triage',
        modelId: null,
        modelVersion: null,
        revision: null,
        configuration: null,
        variant: null,
        serial: null,
        marks: [],
        found: [],
        photos: [],
        tests: {},
        disposition: null,
        apartPlace: null,
        isWiped: false,
        isOwnershipSettled: false,
        sheet: null,
        timer: null,
        assigned: {},
        fitted: {},
        promised: {},
        proof: {},
        saleGrade: null,
        shipment: null,
        version: 0,
        lastFactId: id,
      };
      return accept([unitChange(null, unit)]);
    },
  }),
};

function involvedInTagging({
  parcelId,
  lineNo,
}: {
  readonly parcelId: string;
  readonly lineNo: number | null;
}): Involves {
  const parcel = { kind: 'parcel', id: parcelId } as const;
  if (lineNo === null) return { keys: [parcel] };
  return { keys: [parcel, { kind: 'line', id: `${parcelId}/${lineNo}` }], line: { parcelId, lineNo } };
}
