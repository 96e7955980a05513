// Made from words/en/today.json by `npm run words`. Change it there.
import { l, plural, select, type Text } from '@/words/runtime';
import { minutes, number } from '@/words/format';

export const soldOrReady = () => l`sold or ready`;
export const inProgress = () => l`in progress`;
export const forParts = () => l`for parts`;
export const keptApartOrRecycled = () => l`kept apart or recycled`;
export const toDo = () => l`to do`;
export const firstAreShownWorkIn = (d: { isJobsShownJobs: 'yes' | 'no'; shownJobs: Text }) => l`${select(d.isJobsShownJobs, { "yes": l`The first ${d.shownJobs} are shown; work in progress comes first, then what is closest to a sale.`, "other": l`Work in progress comes first, then what is closest to a sale.` })}`;
export const nothingToDoRightNow = () => l`Nothing to do right now`;
export const noJobsAboutWork = (d: { jobs: number; minutesValue: number }) => l`${plural(d.jobs, 0, { "0": l`No jobs`, "one": l`${number(d.jobs)} job`, "other": l`${number(d.jobs)} jobs` })}, about ${minutes(d.minutesValue)} of work`;
export const addParcelAtDockOr = () => l`Add a parcel at the Dock, or scan a tag.`;
export const parcelsInProgress = () => l`Parcels in progress`;
export const unitsByOutcome = () => l`units by outcome`;
export const noParcelsYet = () => l`No parcels yet.`;
export const justNow = () => l`Just now`;
export const atAllBenches = () => l`at all benches`;
export const open = (d: { title: Text }) => l`Open: ${d.title}`;
export const open2 = () => l`Open`;
