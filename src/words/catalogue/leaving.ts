// Made from words/en/leaving.json by `npm run words`. Change it there.
import { l, plural, select } from '@/words/runtime';
import { number } from '@/words/format';

export const answer = (d: { total: number }) => l`${plural(d.total, 0, { "0": l`Nothing waits to leave`, "one": l`One part waits to leave`, "other": l`${number(d.total)} parts wait to leave` })}`;
export const lead = () => l`What nobody can use again, by the way it goes. Handed over, it is off the list and stays in the history.`;
export const localRules = () => l`Local rules first`;
export const localRulesSay = () => l`What may go where, who may carry cells, and what must be written down is the law of your place. Ask who collects from you; keep their papers.`;
export const nothing = () => l`Scrapped and hazardous parts appear here.`;
export const streamName = (d: { stream: string }) => l`${select(d.stream, { "hazard": l`Fire-safe place`, "cells": l`Cells`, "boards": l`Boards and contacts`, "screens": l`Screens`, "magnets": l`Speakers and motors`, "other": l`Covers, frames, the rest` })}`;
export const streamSays = (d: { stream: string }) => l`${select(d.stream, { "hazard": l`Damaged or swollen cells: in sand or a fire-safe box, apart from each other, contacts taped. Only to somebody licensed to carry damaged cells.`, "cells": l`Contacts taped, none pressed or bent, no more than a day’s work in one box. Licensed collection for cells.`, "boards": l`Precious metal: worth most whole and unmixed. Button cells off first.`, "screens": l`Flat, face to face, glass bound with tape. Old backlights may hold mercury: those apart.`, "magnets": l`Magnets stick and pinch: keep from cards and drives.`, "other": l`By material where that is marked: metal, glass, plastic. Glue and foam make it mixed waste.` })}`;
export const count = (d: { count: number }) => l`${number(d.count)}`;
export const handOver = (d: { count: number }) => l`${plural(d.count, 0, { "one": l`Hand it over`, "other": l`Hand over ${number(d.count)}` })}`;
export const more = (d: { more: number }) => l`and ${number(d.more)} more`;
export const handOverTitle = (d: { count: number }) => l`${plural(d.count, 0, { "one": l`One part leaves`, "other": l`${number(d.count)} parts leave` })}: to whom?`;
export const toWhom = () => l`To whom`;
export const toWhomFor = () => l`a licensed carrier, a recycler`;
export const handedOver = () => l`Handed over`;
export const undo = () => l`Undo`;
