// Made from words/en/devices.json by `npm run words`. Change it there.
import { l } from '@/words/runtime';

export const onTarget = () => l`on target`;
export const tooTight = () => l`too tight`;
export const slips = () => l`slips`;
export const simulatedDriver = () => l`Simulated driver:`;
export const reads = () => l`reads`;
export const overheats = () => l`overheats`;
export const broken = () => l`broken`;
export const simulatedProbe = () => l`Simulated probe:`;
