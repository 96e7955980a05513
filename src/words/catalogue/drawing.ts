// Made from words/en/drawing.json by `npm run words`. Change it there.
import { l, select, type Text } from '@/words/runtime';
import { number } from '@/words/format';

export const tied = (d: { opening: Text }) => l`tied: ${d.opening} at most`;
export const out = (d: { label: Text }) => l`${d.label}: out`;
export const jointsInThisStep = (d: { joints: Text }) => l`, ${d.joints} joints in this step`;
export const marked = (d: { here: Text }) => l`, marked: ${d.here}`;
export const mm = (d: { barMm: Text; name: Text }) => l`${d.barMm} mm · ${d.name}`;
export const hold = (d: { where: Text }) => l`◠ hold: ${d.where}`;
export const zone = (d: { forbids: string; isDeep: 'yes' | 'no'; depthMm: number; label: Text; because: Text }) => l`▨ ${select(d.forbids, { "metal": l`no metal`, "heat": l`no heat`, "other": l`no tools` })}${select(d.isDeep, { "yes": l` deeper than ${number(d.depthMm)} mm`, "other": l`` })}: ${d.label}. ${d.because}`;
export const metalMayGo = (d: { label: Text; because: Text }) => l`▤ metal may go: ${d.label}. ${d.because}`;
