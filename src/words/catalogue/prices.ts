// Made from words/en/prices.json by `npm run words`. Change it there.
import { l, plural, select, type Text } from '@/words/runtime';
import { number } from '@/words/format';

export const prices = () => l`Prices`;
export const lead = () => l`What a unit sells for and what a part is reckoned at, each from a day on. What was released before keeps the price of its day.`;
export const noModels = () => l`No models yet. Take some in, then set their prices.`;
export const models = () => l`Models`;
export const theUnit = (d: { name: Text }) => l`${d.name}, the whole unit`;
export const asTheModelSays = () => l`as the model says`;
export const since = (d: { day: Text }) => l`since ${d.day}`;
export const was = (d: { cents: Text }) => l`was ${d.cents}`;
export const priceOf = (d: { name: Text; grade: Text }) => l`${d.name}, price at grade ${d.grade}`;
export const unread = () => l`Enter an amount, such as 12.50. The price stays as it was.`;
export const dearer = (d: { grade: Text }) => l`${d.grade} would be dearer than a better grade.`;
export const ifYouSave = () => l`If you save this`;
export const nothingChanged = () => l`Nothing is changed yet. Change a price on the left.`;
export const changeLine = (d: { name: Text; cents: Text }) => l`${d.name}: ${d.cents}`;
export const computing = () => l`Computing …`;
export const fromDay = () => l`From this day`;
export const discard = () => l`Discard changes`;
export const save = (d: { count: number }) => l`${plural(d.count, 0, { "0": l`Save prices`, "one": l`Save ${number(d.count)} price`, "other": l`Save ${number(d.count)} prices` })}`;
export const setBefore = () => l`Set before`;
export const setLine = (d: { name: Text; cents: Text; isLater: 'yes' | 'no'; day: Text; by: Text }) => l`${d.name}: ${d.cents}, ${select(d.isLater, { "yes": l`begins ${d.day}`, "other": l`from ${d.day}` })}, ${d.by}`;
export const setAgain = () => l`Set again`;
export const setAgainOf = (d: { name: Text; day: Text }) => l`Set again: ${d.name}, ${d.day}`;
