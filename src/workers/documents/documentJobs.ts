import { readBatteryLog } from '@/files/readBatteryLog';
import { readHouseRules } from '@/files/houseRulesDocument';
import { readDraftDocument } from '@/files/readDraftDocument';
import { readModelDocument } from '@/files/readModelDocument';
import { readTable } from '@/files/readTable';

/** How each kind of document from outside is read. */
export const documentJobs = {
  model: readModelDocument,
  draft: readDraftDocument,
  rules: readHouseRules,
  table: (bytes: Uint8Array) => readTable(bytes),
  'battery-log': readBatteryLog,
} as const;

type Jobs = typeof documentJobs;
export type DocumentKind = keyof Jobs;
export type GivenOf<K extends DocumentKind> = Parameters<Jobs[K]>[0];
export type ReadOf<K extends DocumentKind> = ReturnType<Jobs[K]>;

export interface DocumentTask<K extends DocumentKind = DocumentKind> {
  readonly kind: K;
  readonly given: GivenOf<K>;
}
