// Made from words/en/facts.json by `npm run words`. Change it there.
import { l, plural, type Text } from '@/words/runtime';
import { number } from '@/words/format';

export const factToSend = (d: { waiting: number }) => l`${plural(d.waiting, 0, { "one": l`${number(d.waiting)} fact`, "other": l`${number(d.waiting)} facts` })} to send.`;
export const leftByOthers = (d: { count: number; name: Text }) => l`${plural(d.count, 0, { "one": l`${number(d.count)} fact`, "other": l`${number(d.count)} facts` })} of ${d.name} ${plural(d.count, 0, { "one": l`waits`, "other": l`wait` })} in this browser.`;
export const waitForThem = () => l`They are sent under that name at the next sign-in here.`;
export const serverDoesNotAnswer = () => l`The server does not answer.`;
export const factToSendKeptIn = (d: { waiting: number }) => l`${plural(d.waiting, 0, { "one": l`${number(d.waiting)} fact`, "other": l`${number(d.waiting)} facts` })} to send, kept in this browser.`;
export const kept = () => l`it is kept.`;
export const thisPageAsWasAt = (d: { toTimeString: Text; itIsKept: Text }) => l`This page is as it was at ${d.toTimeString}, plus what you have done here since. Carry on: ${d.itIsKept}`;
export const thisBrowserKeepsNoCopy = () => l`This browser keeps no copy.`;
export const itsStorageFullOrBlocked = () => l`Its storage is full or blocked: leave the page open until everything is sent.`;
export const factFromThisBenchRejected = (d: { unsettled: number }) => l`${plural(d.unsettled, 0, { "one": l`${number(d.unsettled)} fact`, "other": l`${number(d.unsettled)} facts` })} from this bench rejected.`;
export const keptHereUntilYouSettle = (d: { unsettled: number }) => l`Kept here until you settle ${plural(d.unsettled, 0, { "one": l`it`, "other": l`them` })}.`;
export const settle = () => l`Settle`;
export const notDone = () => l`Not done.`;
export const close = () => l`Close`;
export const rejectedAndLeft = (d: { fact: Text; refusal: Text }) => l`Rejected and left: ${d.fact}. ${d.refusal}`;
export const oneFactWasRejected = () => l`One fact was rejected`;
export const factsWereRejected = (d: { facts: Text }) => l`${d.facts} facts were rejected`;
export const checkAsNowAndSend = () => l`Check it as it is now and send again`;
export const leaveAndKeepNote = () => l`Leave it and keep a note`;
export const open = (d: { tag: Text }) => l`Open ${d.tag}`;
