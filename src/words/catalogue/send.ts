// Made from words/en/send.json by `npm run words`. Change it there.
import { l, plural, type Text } from '@/words/runtime';
import { money, number } from '@/words/format';

export const whoGetsThem = () => l`Who gets them`;
export const unitsAppearHereWhenProve = (d: { ready: number }) => l`${plural(d.ready, 0, { "0": l`Units appear here when Prove has released them.`, "other": l`All of them go in one shipment. H holds the selected one back.` })}`;
export const nothingReadyToSend = () => l`Nothing ready to send`;
export const noUnitsReadyToSend = (d: { going: number; total: number }) => l`${plural(d.going, 0, { "0": l`No units`, "one": l`${number(d.going)} unit`, "other": l`${number(d.going)} units` })} ready to send, ${money(d.total)}`;
export const releaseUnitAtProveAnd = () => l`Release a unit at Prove and it appears here.`;
export const heldBack = () => l`· held back`;
export const labelFor = (d: { tag: Text }) => l`Label for ${d.tag}`;
export const label = () => l`label`;
export const latestShipments = () => l`Latest shipments`;
export const noneYet = () => l`None yet.`;
export const packingListFor = (d: { shipment: Text }) => l`Packing list for ${d.shipment}`;
export const packingList = () => l`packing list`;
export const to = () => l`To`;
export const holdBack = () => l`Hold back`;
export const undo = () => l`Undo`;
export const sendUnit = (d: { going: number }) => l`Send ${plural(d.going, 0, { "one": l`${number(d.going)} unit`, "other": l`${number(d.going)} units` })}`;
