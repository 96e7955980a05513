// Made from words/en/machine.json by `npm run words`. Change it there.
import { l, plural, type Text } from '@/words/runtime';
import { number } from '@/words/format';

export const asOf = (d: { at: Text }) => l`How the machine that keeps this shop stands, as of ${d.at}.`;
export const allIsWell = () => l`This shop is safe: nothing to do here`;
export const doNow = (d: { count: number }) => l`${plural(d.count, 0, { "one": l`One thing has`, "other": l`${number(d.count)} things have` })} to be done now`;
export const doSoon = (d: { count: number }) => l`${plural(d.count, 0, { "one": l`One thing`, "other": l`${number(d.count)} things` })} to do in the next days`;
export const whatItNeeds = () => l`What it needs`;
export const figures = () => l`Figures`;
export const now = () => l`now`;
export const soon = () => l`soon`;
export const fine = () => l`fine`;
export const disk = () => l`Disk of the shop`;
export const backupDisk = () => l`Disk of the backups`;
export const gbOf = (d: { free: number; total: number }) => l`${number(d.free)} of ${number(d.total)} GB free`;
export const mb = (d: { size: number }) => l`${number(d.size)} MB`;
export const shopSize = () => l`The shop takes`;
export const factsInLog = () => l`Facts in the log`;
export const factsADay = () => l`Facts a day, of the last two weeks`;
export const backupSize = () => l`A backup takes`;
export const uncounted = () => l`Facts not counted yet`;
export const waiting = () => l`Requests that wait for the database`;
export const count = (d: { count: number }) => l`${number(d.count)}`;
export const programsAsk = () => l`A program that watches machines may ask /api/metrics with a key of Data out. ./plucky support writes a file for who helps you, without names, serials or prices in it.`;
