import type { Model } from '@/core/procedure/model';
import type { DeviceKind, DeviceTest, PartCategory } from '@/core/procedure/vocabulary';
import { selfTestKinds, type SelfTestKind } from './reads';

/** Which tests of a unit the page on it can settle. */
export const settles: Readonly<Record<SelfTestKind, readonly DeviceTest[]>> = {
  picture: ['picture'],
  touch: ['touch'],
  sound: ['sound', 'microphone'],
  cameras: ['cameras', 'front-camera'],
  vibration: ['vibration'],
  keys: ['keys'],
};

/** What a part that lies in a unit or a test frame can be read by. */
const ofParts: Partial<Readonly<Record<PartCategory, readonly SelfTestKind[]>>> = {
  display: ['picture', 'touch'],
  keys: ['keys'],
};

/** On a laptop “touch” is its pad, whose fields no page sees; on all else “keys” are buttons that no page hears. */
const isSeen = (kind: SelfTestKind, device: DeviceKind): boolean =>
  kind === 'touch' ? device !== 'laptop' : kind !== 'keys' || device === 'laptop';

/** What is to be gone through on a unit: whatever its model's tests ask and a browser can do, in this order. */
export const askedOfUnit = ({ kind: device, tests }: Pick<Model, 'kind' | 'tests'>): readonly SelfTestKind[] =>
  selfTestKinds.filter((kind) => isSeen(kind, device) && settles[kind].some((test) => tests.includes(test)));

/** What is to be gone through for a part; nothing where a browser cannot see it. */
export const askedOfPart = (category: PartCategory): readonly SelfTestKind[] => ofParts[category] ?? [];
