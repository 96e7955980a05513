// Made from words/en/apart.json by `npm run words`. Change it there.
import { l, plural, select, type Text } from '@/words/runtime';
import { number } from '@/words/format';

export const hazardsFirstThenUnitsThat = () => l`Hazards first, then units that may belong to somebody else, then unknown models.`;
export const triage = () => l`Triage`;
export const nothingKeptApart = () => l`Nothing is kept apart`;
export const noUnitsKeptApart = (d: { sorted: number }) => l`${plural(d.sorted, 0, { "0": l`No units`, "one": l`${number(d.sorted)} unit`, "other": l`${number(d.sorted)} units` })} kept apart`;
export const undo = () => l`Undo`;
export const firstOpening = () => l`First opening`;
export const reportLostSerials = () => l`Report lost serials`;
export const unknownModel = () => l`unknown model`;
export const first = (d: { tag: Text }) => l`${d.tag}: first`;
export const of = (d: { done: Text; steps: Text }) => l`${d.done} of ${d.steps}`;
export const beforeAnythingElse = () => l`Before anything else.`;
export const afterThatMayLeave = () => l`After that it may leave`;
export const youMayDecide = (d: { isLead: 'yes' | 'no' }) => l`${select(d.isLead, { "yes": l`you may decide`, "other": l`a lead decides` })}`;
export const serialAddedAlreadyKnown = (d: { fresh: number; known: Text }) => l`${plural(d.fresh, 0, { "one": l`${number(d.fresh)} serial`, "other": l`${number(d.fresh)} serials` })} added, ${d.known} already known.`;
export const reportedLost = () => l`Reported lost`;
export const oneSerialPerLineUnits = () => l`One serial per line. Units with these serials are kept apart until their owner is found.`;
export const serialsReportedLost = () => l`Serials reported lost`;
export const addSerial = (d: { serials: number }) => l`Add ${plural(d.serials, 0, { "one": l`${number(d.serials)} serial`, "other": l`${number(d.serials)} serials` })}`;
