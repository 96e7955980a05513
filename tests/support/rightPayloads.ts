import type { FactType, Payloads } from '@/core/shop/facts';

export type PostedFactType = Exclude<FactType, 'lines-expected'>;

/** Some other thing that a payload names. */
export const aThingId = '6f9619ff-8b86-4d01-b42d-00cf4fc964aa';

/** A right payload for every fact that a browser may post. */
export const rightPayloads: { readonly [T in PostedFactType]: Payloads[T] } = {
  'parcel-made': {
    code: 'Ferry line, spring lot',
    supplier: 'Northreach',
    pricePaidCents: 100,
    transportCents: 0,
    receivedOn: '2026-11-25',
  },
  'cost-spread': { rule: 'by-value' },
  'parcel-counted': { isCounted: true },
  'unit-tagged': { parcelId: aThingId, lineNo: null },
  'unit-identified': {
    modelId: 'oddkin-lantern-5',
    modelVersion: 1,
    revision: 'a',
    configuration: 'standard',
    variant: 'grey-64',
    serial: '',
  },
  'mark-placed': { mark: { kind: 'crack', face: 'back', field: 5 } },
  'test-noted': { test: 'starts', result: 'fault' },
  'wipe-recorded': { method: 'device-erase' },
  'unit-decided': { disposition: 'quarantine', proposed: 'build', apartPlace: 'hazard' },
  'unit-let-go': { because: 'made-safe' },
  'unit-set-apart': { place: 'hazard' },
  'photo-taken': { photo: { id: '6f9619ff-8b86-4d01-b42d-00cf4fc964ff', face: 'back', field: 5 } },
  'sheet-started': { kind: 'teardown', targets: ['battery'], keeping: 'tray' },
  'sheet-replanned': {
    because: 'found',
    targets: ['battery'],
    findings: ['swelling'],
    barred: ['strip'],
    again: [],
  },
  'step-resisted': { stepId: 'out:strip~2', rung: 1, seconds: 31.5 },
  'step-done': {
    stepId: 'out:battery',
    seconds: 12.5,
    freed: [{ partId: aThingId, partRef: 'battery', state: 'sound' }],
  },
  'part-trouble': { stepId: 'out:battery', partRef: 'battery', state: 'missing', defectCode: null },
  'screw-trouble': { stepId: 'out:plate', kind: 'stripped', count: 1 },
  'gate-judged': { stepId: 'gate:before-seal', hasPassed: false },
  'sheet-closed': { because: 'stopped at the bench' },
  'part-graded': { readings: { capacityShare: 91.5, shape: 'flat' } },
  'part-shelved': { bin: 'B07' },
  'part-scrapped': { because: 'no room' },
  'part-assigned': { slot: 'display', partId: aThingId },
  'part-released': { slot: 'display' },
  'unit-matched': {},
  'step-skipped': { stepId: 'out:back', because: 'done-already' },
  'wait-begun': { stepId: 'out:warm', fixture: 'hot plate', place: 1, minutes: 4 },
  'note-written': { stepId: null, text: 'Clip 3 was glued.' },
  'hazard-cleared': {},
  'reuse-judged': { stepId: 'out:gasket', partRef: 'gasket', isReused: true },
  'torque-read': { stepId: 'back:plate', jointId: 'plate-1', newtonCm: 5.2, isKept: false },
  'proof-noted': { test: 'radios', result: 'sound' },
  'unit-proven': { cosmetic: 'B' },
  'unit-reworked': { because: 'no sound' },
  'unit-sent': { shipment: 'S-0012', recipient: 'Harbour Row shop' },
  undone: { factId: aThingId },
};
