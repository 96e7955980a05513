// Made from words/en/core/library.json by `npm run words`. Change it there.
import { l, plural, select, type Text } from '@/words/runtime';
import { list, number } from '@/words/format';
import { sayer } from '@/words/sayer';

export const kind = () => l`kind`;
export const operations = () => l`operations`;
export const handsOnMinutesLikely = () => l`hands-on minutes (likely)`;
export const minutesOnFixture = () => l`minutes on a fixture`;
export const parts = () => l`parts`;
export const screws = () => l`screws`;
export const tools = () => l`tools`;
export const faces = () => l`faces`;
export const size = () => l`size`;
export const screwKind = (d: { count: number; groups: number; names: readonly string[] }) => l`${plural(d.count, 0, { "one": l`${number(d.count)} screw`, "other": l`${number(d.count)} screws` })} of ${plural(d.groups, 0, { "one": l`${number(d.groups)} kind`, "other": l`${number(d.groups)} kinds` })}: ${list(d.names)}`;
export const theModel = () => l`the model`;
export const face = (d: { kind: string; name: Text }) => l`${select(d.kind, { "faces": l`face ${d.name}`, "parts": l`part ${d.name}`, "joints": l`joint ${d.name}`, "operations": l`step “${d.name}”`, "revisions": l`revision ${d.name}`, "configurations": l`configuration ${d.name}`, "other": l`variant ${d.name}` })}`;
export const removed = () => l`removed`;
export const added = () => l`added`;
export const now = (d: { name: Text; after: Text }) => l`${d.name}: now ${d.after}`;
export const wasNowNone = (d: { name: Text; before: Text }) => l`${d.name}: was ${d.before}, now none`;
export const n = (d: { name: Text; before: Text; after: Text }) => l`${d.name}: ${d.before} → ${d.after}`;
export const addedRemoved = (d: { name: Text; change: string; added: readonly string[]; gone: readonly string[] }) => l`${d.name}: ${select(d.change, { "both": l`added ${list(d.added)}; removed ${list(d.gone)}`, "added": l`added ${list(d.added)}`, "gone": l`removed ${list(d.gone)}`, "other": l`order changed` })}`;
export const none = (d: { count: number }) => l`${plural(d.count, 0, { "0": l`none`, "one": l`${number(d.count)} entry`, "other": l`${number(d.count)} entries` })}`;
export const kindOf = (d: { kind: string }) => l`${select(d.kind, { "phone": l`phone`, "tablet": l`tablet`, "laptop": l`laptop`, "other": l`handheld` })}`;

export const all: Readonly<Record<string, (d: never) => string>> = { kind, operations, handsOnMinutesLikely, minutesOnFixture, parts, screws, tools, faces, size, screwKind, theModel, face, removed, added, now, wasNowNone, n, addedRemoved, none, kindOf };

/** What the core found out, as a sentence. */
export const say = sayer<'library'>({
  library: all,
});
