// Made from words/en/line.json by `npm run words`. Change it there.
import { l, select, type Text } from '@/words/runtime';

export const findOrScan = () => l`Find or scan`;
export const theLine = () => l`The line`;
export const slowestStage = () => l`, the slowest stage`;
export const switchThemeLightDark = () => l`Switch theme (light, dark)`;
export const yieldWherePartsTimeAnd = () => l`Yield: where parts, time and money are lost`;
export const modelsHowEachOneComes = () => l`Models: how each one comes apart`;
export const lightTheme = (d: { isResolvedThemeDark: 'yes' | 'no' }) => l`${select(d.isResolvedThemeDark, { "yes": l`Light theme`, "other": l`Dark theme` })}`;
export const signOut = () => l`Sign out`;
export const pluckyParcel = () => l`Plucky Parcel`;
export const houseRules = () => l`House rules: how this shop works`;
export const houseRulesShort = () => l`House rules`;
export const peopleShort = () => l`People and benches`;
export const theShop = () => l`The shop`;
export const peopleMenu = () => l`People and benches: who works where`;
export const goTo = () => l`Go to`;
export const otherPages = () => l`Other pages`;
export const signedInAs = (d: { name: Text; role: Text }) => l`Signed in as ${d.name}, ${d.role}`;
export const todayWhatNeedsMe = () => l`Today: what needs me now`;
export const skipToContent = () => l`To the content`;
export const goToStage = (d: { stage: Text }) => l`Go to ${d.stage}`;
export const historyWhatHappened = () => l`History: what happened, by whom`;
export const exportsShort = () => l`Data out`;
export const exportsMenu = () => l`Data out: files, and programs that read along`;
export const pricesShort = () => l`Prices`;
export const pricesMenu = () => l`Prices: what units and parts bring`;
