// Made from words/en/base.json by `npm run words`. Change it there.
import { l, plural, select, type Text } from '@/words/runtime';
import { number } from '@/words/format';

export const caution = () => l`Caution`;
export const waiting = () => l`Waiting`;
export const good = () => l`Good`;
export const closes = () => l`closes`;
export const pageNotFound = () => l`Page not found`;
export const scanTagOrGoTo = () => l`Scan a tag, or go to Today.`;
export const today = () => l`Today`;
export const grade = (d: { grade: Text }) => l`grade ${d.grade}`;
export const thisPageCannotBeShown = () => l`This page cannot be shown right now`;
export const serverOrItsDatabaseNot = (d: { isCode: 'yes' | 'no'; code: Text }) => l`${select(d.isCode, { "yes": l`The server or its database is not responding properly. The page tries again every few seconds. If this continues, tell a lead this number: ${d.code}.`, "other": l`Something went wrong on this page. Try again, or go to Today and tell a lead what you pressed.` })} What you entered is kept in this browser and is sent as soon as possible.`;
export const tryNow = () => l`Try now`;
export const moreRows = (d: { left: number }) => l`${plural(d.left, 0, { "one": l`${number(d.left)} more`, "other": l`${number(d.left)} more` })}`;
