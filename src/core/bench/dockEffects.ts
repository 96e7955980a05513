import { accept, refuse } from '@/core/shared/outcome';
import type { Effects } from './effect';
import type { Parcel, ParcelLine, Unit } from './entities';
import { unitChange, type Change } from './world';

/** Dock: a parcel arrives, its expected list is read, its units get tags. */
export const dockEffects: Effects<'parcel-made' | 'lines-expected' | 'cost-spread' | 'parcel-counted' | 'unit-tagged'> =
  {
    'parcel-made': (world, { id, subjectId, payload }) => {
      if (world.hasParcelCode(payload.code)) return refuse('code-taken', { code: payload.code });
      const parcel: Parcel = {
        id: subjectId,
        ...payload,
        lineCount: 0,
        costRule: 'even',
        isCounted: false,
        version: 0,
        lastEventId: id,
      };
      return accept([{ kind: 'parcel', id: subjectId, before: null, after: parcel }]);
    },

    'lines-expected': (world, { id, subjectId, payload }) => {
      const parcel = world.find('parcel', subjectId);
      if (!parcel) return refuse('not-found', { id: subjectId });
      const lines = payload.lines.map((line): Change => {
        const lineId = `${subjectId}/${line.lineNo}`;
        const after: ParcelLine = { id: lineId, parcelId: subjectId, ...line, version: 0, lastEventId: id };
        return { kind: 'line', id: lineId, before: null, after };
      });
      const taken = lines.find((line) => world.find('line', line.id));
      if (taken) return refuse('line-taken', { line: taken.id.split('/').at(-1) ?? '' });
      const counted: Parcel = { ...parcel, lineCount: parcel.lineCount + lines.length };
      return accept([{ kind: 'parcel', id: subjectId, before: parcel, after: counted }, ...lines]);
    },

    'cost-spread': (world, { subjectId, payload }) => {
      const parcel = world.find('parcel', subjectId);
      if (!parcel) return refuse('not-found', { id: subjectId });
      return accept([{ kind: 'parcel', id: subjectId, before: parcel, after: { ...parcel, costRule: payload.rule } }]);
    },

    'parcel-counted': (world, { subjectId, payload }) => {
      const parcel = world.find('parcel', subjectId);
      if (!parcel) return refuse('not-found', { id: subjectId });
      const after = { ...parcel, isCounted: payload.isCounted };
      return accept([{ kind: 'parcel', id: subjectId, before: parcel, after }]);
    },

    'unit-tagged': (world, { id, subjectId, payload }) => {
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
        proof: {},
        saleGrade: null,
        shipment: null,
        version: 0,
        lastEventId: id,
      };
      return accept([unitChange(null, unit)]);
    },
  };
