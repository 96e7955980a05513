// Made from words/en/shelf.json by `npm run words`. Change it there.
import { l, plural, select, type Text } from '@/words/runtime';
import { list, number } from '@/words/format';

export const searchShelf = () => l`Search the shelf`;
export const nextPage = () => l`Next page`;
export const previousPage = () => l`Previous page`;
export const binWhereSameKindStored = (d: { isWaiting: 'yes' | 'no' }) => l`${select(d.isWaiting, { "yes": l`The bin is where the same kind is stored, or the first empty one.`, "other": l`Every graded part has a bin.` })}`;
export const undo = () => l`Undo`;
export const noPartsToPutAway = (d: { waiting: number }) => l`${plural(d.waiting, 0, { "0": l`No parts`, "one": l`${number(d.waiting)} part`, "other": l`${number(d.waiting)} parts` })} to put away`;
export const partsOnShelfMatch = (d: { total: Text; isWords: 'yes' | 'no'; value: Text }) => l`${d.total} parts on the shelf${select(d.isWords, { "yes": l` match “${d.value}”`, "other": l`` })}`;
export const partsMatch = (d: { total: Text; value: Text }) => l`${d.total} parts match “${d.value}”`;
export const partsOnShelf = (d: { total: Text }) => l`${d.total} parts on the shelf`;
export const pageTurnWith = (d: { page: Text; pages: Text }) => l`page ${d.page} of ${d.pages}, turn with ← →`;
export const partClassBinGradeTag = () => l`Part, class, bin, grade, tag … (S)`;
export const nothingMatchesTryFewerWords = (d: { isWords: 'yes' | 'no' }) => l`${select(d.isWords, { "yes": l`Nothing matches. Try fewer words.`, "other": l`The shelf is empty. Graded parts appear here.` })}`;
export const withParts = (d: { parts: readonly string[] }) => l` with ${list(d.parts)}`;
export const bin = () => l`Bin`;
export const tag = () => l`Tag`;
export const part = () => l`Part`;
export const fits = () => l`Fits`;
export const grade = () => l`Grade`;
export const limitedBy = () => l`Limited by`;
export const price = () => l`Price`;
export const into = (d: { bin: Text }) => l`Into ${d.bin}`;
export const scrapEveryBinFull = (d: { isDataCleared: 'yes' | 'no' }) => l`${select(d.isDataCleared, { "yes": l`Scrap: every bin is full`, "other": l`Destroy and scrap` })}`;
export const noRoom = (d: { isDataCleared: 'yes' | 'no' }) => l`${select(d.isDataCleared, { "yes": l`no room`, "other": l`storage destroyed: never wiped` })}`;
export const into2 = (d: { isBin: 'yes' | 'no'; bin: Text }) => l`${select(d.isBin, { "yes": l`into ${d.bin}`, "other": l`not for the shelf` })}`;
