// Made from words/en/hands.json by `npm run words`. Change it there.
import { l, select, type Text } from '@/words/runtime';
import { number } from '@/words/format';

export const lift = () => l`lift`;
export const slide = () => l`slide`;
export const hinge = () => l`hinge`;
export const rotate = () => l`turn`;
export const twist = () => l`twist`;
export const drawOut = () => l`draw out`;
export const millimetres = (d: { mm: number }) => l`${number(d.mm)} mm`;
export const degrees = (d: { degrees: number }) => l`${number(d.degrees)}°`;
export const hold = (d: { hand: string; where: Text }) => l`${select(d.hand, { "left": l`left hand: ${d.where}`, "right": l`right hand: ${d.where}`, "both": l`both hands: ${d.where}`, "other": l`${d.where}` })}`;
export const warmFirst = (d: { side: Text }) => l`warm the ${d.side} first`;
export const pressAlong = () => l`press along it`;
export const deep = (d: { mm: number }) => l`${number(d.mm)} mm deep`;
export const atAngle = (d: { degrees: number }) => l`tool at ${number(d.degrees)}°`;
export const leavePickIn = () => l`leave the pick in`;
export const cornerLast = () => l`corner: last, if at all`;
export const cue = (d: { kind: string; says: Text; hasNeeds: 'yes' | 'no'; needs: Text }) => l`${select(d.kind, { "click": l`Click: `, "flush": l`Flush: `, "latch": l`Latch: `, "lamp": l`Lamp: `, "sound": l`Sound: `, "picture": l`Picture: `, "other": l`` })}${d.says}${select(d.hasNeeds, { "yes": l` (${d.needs})`, "other": l`` })}`;
export const jointOf = (d: { part: Text; kind: string }) => l`${d.part} ${select(d.kind, { "ribbon": l`ribbon`, "coaxial": l`aerial snap`, "board_plug": l`blind plug`, "latch": l`latch`, "socket": l`contacts`, "solder": l`solder joint`, "cable_latch": l`latched cable`, "other": l`plug` })}`;
