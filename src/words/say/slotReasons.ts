import type { SlotReason } from '@/core/sale/slots';
import { findingNames, testNames } from './names';
import * as words from '@/words/catalogue/names';

/** What speaks against a unit's own part. */
export function sayReason(reason: SlotReason | null): string {
  if (!reason) return '';
  if (reason.is === 'bound') return words.boundTo({ partner: reason.to });
  return reason.is === 'test-failed'
    ? words.testFailed({ test: testNames[reason.test] })
    : findingNames[reason.finding];
}
