// Made from words/en/labels.json by `npm run words`. Change it there.
import { l, plural, select, type Text } from '@/words/runtime';
import { number } from '@/words/format';

export const outLabelsNothingWasLost = () => l`Out of labels. Nothing was lost: load a roll (P), then print.`;
export const serverRejectedLabelsStayIn = () => l`The server rejected it. The labels stay in the queue.`;
export const serverDoesNotAnswerLabels = () => l`The server does not answer. The labels stay in the queue; try again.`;
export const simulatedLabelQueuedWhenUnit = () => l`Simulated. A label is queued when a unit is decided and when a part is freed. A real printer polls /api/label-jobs.`;
export const triage = () => l`Triage`;
export const allLabelsArePrinted = () => l`All labels are printed`;
export const noLabelsToPrint = (d: { total: number }) => l`${plural(d.total, 0, { "0": l`No labels`, "one": l`${number(d.total)} label`, "other": l`${number(d.total)} labels` })} to print`;
export const firstShown = (d: { jobs: Text }) => l`first ${d.jobs} shown`;
export const print = (d: { jobs: Text }) => l`Print ${d.jobs}`;
export const simulateEmptyRoll = (d: { hasPaper: 'yes' | 'no' }) => l`${select(d.hasPaper, { "yes": l`Simulate empty roll`, "other": l`Load a roll` })}`;
export const notPrinted = () => l`Not printed.`;
export const labelFor = (d: { tag: Text }) => l`Label for ${d.tag}`;
export const gradeAndSerial = (d: { grade: Text; serial: Text }) => l`grade ${d.grade} · ${d.serial}`;
export const serialNotRead = () => l`serial not read`;
export const modelNotKnown = () => l`model not known`;
export const notGraded = () => l`not graded`;
export const gradeAndBin = (d: { grade: Text; bin: Text }) => l`grade ${d.grade} · bin ${d.bin}`;
export const gradeOnly = (d: { grade: Text }) => l`grade ${d.grade}`;
export const binOnly = (d: { bin: Text }) => l`bin ${d.bin}`;
export const anyPart = () => l`any part`;
export const rowAndBox = (d: { row: Text; box: Text; room: Text }) => l`row ${d.row}, box ${d.box}, for ${d.room}`;
export const rack = (d: { kind: Text }) => l`Rack for ${d.kind}`;
export const bins = (d: { bins: number }) => l`${plural(d.bins, 0, { "one": l`one bin`, "other": l`${number(d.bins)} bins` })}`;
