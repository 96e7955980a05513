// Made from words/en/drawing.json by `npm run words`. Change it there.
import { l, type Text } from '@/words/runtime';

export const out = (d: { label: Text }) => l`${d.label}: out`;
export const jointsInThisStep = (d: { joints: Text }) => l`, ${d.joints} joints in this step`;
export const marked = (d: { here: Text }) => l`, marked: ${d.here}`;
export const mm = (d: { barMm: Text; name: Text }) => l`${d.barMm} mm · ${d.name}`;
export const hold = (d: { where: Text }) => l`◠ hold: ${d.where}`;
export const alongSeamMmDeep = (d: { depthMm: Text }) => l`→ along the seam, ${d.depthMm} mm deep`;
export const noTools = (d: { label: Text }) => l`▨ no tools: ${d.label}`;
