import type { DeviceTest, TestResult } from '@/core/procedure/vocabulary';
import type { SelfRead } from '@/core/selfTest/reads';

/** A test of a unit and how it came out. */
export interface NotedTest {
  readonly test: DeviceTest;
  readonly result: TestResult;
  /** What the page on the unit read, where the unit tested itself. */
  readonly read?: SelfRead;
}
