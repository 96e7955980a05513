// Made from words/en/keys.json by `npm run words`. Change it there.
import { l } from '@/words/runtime';

export const findOrScan = () => l`Find or scan`;
export const showKeys = () => l`Show keys`;
export const keysOnThisScreen = () => l`Keys on this screen`;
export const scannerWorksOnEveryScreen = () => l`A scanner works on every screen: a tag opens its unit or part. A foot pedal is the space bar.`;
export const nextLine = () => l`Next line`;
export const previousLine = () => l`Previous line`;
export const takeCode = () => l`Take it`;
export const codeFieldSays = () => l`Enter takes it and the field is free for the next; Escape closes it.`;
