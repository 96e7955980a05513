// Made from words/en/app.json by `npm run words`. Change it there.
import { l } from '@/words/runtime';

export const keptApartPluckyParcel = () => l`Kept apart · Plucky Parcel`;
export const dockPluckyParcel = () => l`Dock · Plucky Parcel`;
export const gradePluckyParcel = () => l`Grade · Plucky Parcel`;
export const labelPrinterPluckyParcel = () => l`Label printer · Plucky Parcel`;
export const matchPluckyParcel = () => l`Match · Plucky Parcel`;
export const compareModelsPluckyParcel = () => l`Compare models · Plucky Parcel`;
export const modelPluckyParcel = () => l`Model · Plucky Parcel`;
export const plannerPluckyParcel = () => l`Planner · Plucky Parcel`;
export const rehearsalPluckyParcel = () => l`Rehearsal · Plucky Parcel`;
export const draftPluckyParcel = () => l`Draft · Plucky Parcel`;
export const firstOpeningPluckyParcel = () => l`First opening · Plucky Parcel`;
export const modelsPluckyParcel = () => l`Models · Plucky Parcel`;
export const todayPluckyParcel = () => l`Today · Plucky Parcel`;
export const provePluckyParcel = () => l`Prove · Plucky Parcel`;
export const rebuildPluckyParcel = () => l`Rebuild · Plucky Parcel`;
export const sendPluckyParcel = () => l`Send · Plucky Parcel`;
export const shelfPluckyParcel = () => l`Shelf · Plucky Parcel`;
export const tagPluckyParcel = () => l`Tag · Plucky Parcel`;
export const teardownPluckyParcel = () => l`Teardown · Plucky Parcel`;
export const triagePluckyParcel = () => l`Triage · Plucky Parcel`;
export const proposalRecordPluckyParcel = () => l`Proposal record · Plucky Parcel`;
export const yieldPluckyParcel = () => l`Yield · Plucky Parcel`;
export const benchPluckyParcel = () => l`Bench · Plucky Parcel`;
export const signInPluckyParcel = () => l`Sign in · Plucky Parcel`;
export const rulesPluckyParcel = () => l`House rules · Plucky Parcel`;
export const peoplePluckyParcel = () => l`People and benches · Plucky Parcel`;
