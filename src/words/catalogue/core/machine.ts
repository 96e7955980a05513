// Made from words/en/core/machine.json by `npm run words`. Change it there.
import { l, plural, select, type Text } from '@/words/runtime';
import { number } from '@/words/format';
import { sayer } from '@/words/sayer';

export const diskFree = (d: { free: number; total: number; hasPace: 'yes' | 'no'; days: number }) => l`The disk has ${number(d.free)} of ${number(d.total)} GB free${select(d.hasPace, { "yes": l`, which lasts ${plural(d.days, 0, { "9999": l`for years`, "one": l`${number(d.days)} more day`, "other": l`${number(d.days)} more days` })} at the pace of the last two weeks`, "other": l`` })}.`;
export const freeTheDisk = () => l`Free space on it, keep fewer backups (./plucky backups FOLDER NUMBER), or move old facts into files (./plucky archive).`;
export const demoIsNotKept = () => l`This is the demo: it is not backed up.`;
export const keptElsewhere = () => l`The database is on another machine, which this one does not back up.`;
export const askWhoKeepsIt = () => l`Ask whoever runs the database when it was last backed up.`;
export const choiceUnreadable = () => l`Nobody can tell where backups go: the note of it cannot be read.`;
export const chooseFolder = () => l`Choose a folder, best on another disk: ./plucky backups FOLDER NUMBER`;
export const firstBackupComes = () => l`There is no backup yet. The first one is made within minutes while the shop is open.`;
export const noBackup = () => l`There is no backup of this shop.`;
export const makeBackup = () => l`Make one now: ./plucky backup says what keeps it from being made.`;
export const lastBackup = (d: { days: number; hours: number; count: number; folder: Text }) => l`The last backup is ${plural(d.days, 0, { "0": l`${plural(d.hours, 0, { "0": l`less than an hour`, "one": l`${number(d.hours)} hour`, "other": l`${number(d.hours)} hours` })}`, "one": l`a day`, "other": l`${number(d.days)} days` })} old; ${plural(d.count, 0, { "one": l`one lies`, "other": l`${number(d.count)} lie` })} in ${d.folder}.`;
export const folderAway = (d: { folder: Text }) => l`The folder for backups is not there: ${d.folder}.`;
export const plugIn = () => l`Plug in its disk, or choose another folder: ./plucky backups FOLDER NUMBER`;
export const noRoomForNext = (d: { free: number; needed: number }) => l`The next backup may not fit: ${number(d.free)} GB are free, and it takes about ${number(d.needed)} GB.`;
export const sameDisk = () => l`Backups lie on the same disk as the shop: what takes the one takes both.`;
export const cameLate = (d: { bench: Text; count: number; minutes: number }) => l`${d.bench} sent ${plural(d.count, 0, { "one": l`one fact`, "other": l`${number(d.count)} facts` })} late in the last day; the longest waited ${number(d.minutes)} min in its browser. Nothing was lost.`;
export const lookAtNetwork = () => l`Look at the network of that bench.`;
export const waitsForDatabase = (d: { waiting: number }) => l`${number(d.waiting)} requests wait for the database.`;
export const lookAtLog = () => l`Wait a minute; if it stays so, ./plucky support gathers what is needed to find out why.`;
export const notCounted = (d: { count: number }) => l`${number(d.count)} facts are not counted yet; yields and charts lag behind.`;
export const recount = () => l`They are counted beside the work. If it stays so: ./plucky recount`;
export const nothingWaits = () => l`Nothing waits: facts arrive as they are said, and all of them are counted.`;
export const clockIsOff = (d: { bench: Text; minutes: number; isAhead: 'yes' | 'no'; count: number }) => l`The clock of ${d.bench} is ${number(d.minutes)} min ${select(d.isAhead, { "yes": l`ahead`, "other": l`behind` })}; ${plural(d.count, 0, { "one": l`one fact`, "other": l`${number(d.count)} facts` })} of the last day ${plural(d.count, 0, { "one": l`was`, "other": l`were` })} put right.`;
export const setClock = () => l`Set that clock, or let it follow the network’s time.`;

export const all: Readonly<Record<string, (d: never) => string>> = { diskFree, freeTheDisk, demoIsNotKept, keptElsewhere, askWhoKeepsIt, choiceUnreadable, chooseFolder, firstBackupComes, noBackup, makeBackup, lastBackup, folderAway, plugIn, noRoomForNext, sameDisk, cameLate, lookAtNetwork, waitsForDatabase, lookAtLog, notCounted, recount, nothingWaits, clockIsOff, setClock };

/** What the core found out, as a sentence. */
export const say = sayer<'machine'>({
  machine: all,
});
