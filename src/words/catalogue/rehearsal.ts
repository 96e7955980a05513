// Made from words/en/rehearsal.json by `npm run words`. Change it there.
import { l, plural, type Text } from '@/words/runtime';
import { number } from '@/words/format';

export const whatNext = () => l`what is next`;
export const whichTool = () => l`which tool`;
export const whichCup = () => l`which cup`;
export const thisModelHasNoRun = () => l`This model has no run sheet to practise on yet.`;
export const nothingToRehearse = () => l`Nothing to rehearse`;
export const backToModel = () => l`Back to the model`;
export const practiceUnitNothingRealChanges = (d: { maker: Text; name: Text; value: Text; questions: Text }) => l`${d.maker} ${d.name}, practice unit: nothing real changes. ${d.value} of ${d.questions}.`;
export const wrong = () => l`Wrong.`;
export const leave = () => l`Leave`;
export const youAnsweredEverythingRecentlyComes = () => l`You answered everything recently; it comes back when it is due.`;
export const comesBackInDaysThen = () => l`It comes back in days, then in weeks.`;
export const questionComesBackTodayRest = (d: { wrong: number }) => l`${plural(d.wrong, 0, { "one": l`${number(d.wrong)} question comes`, "other": l`${number(d.wrong)} questions come` })} back today; the rest in days.`;
export const nothingDue = (d: { name: Text }) => l`${d.name}: nothing is due`;
export const youCanDo = (d: { name: Text }) => l`${d.name}: you can do it`;
export const oneMoreRunAndYou = (d: { name: Text }) => l`${d.name}: one more run and you have it`;
export const repeatAll = () => l`Repeat all`;
export const soFar = () => l`So far`;
export const of = (d: { right: Text; asked: Text }) => l`${d.right} of ${d.asked}`;
