import { readDischarge, type Discharge, type DischargeLimits } from '@/core/battery/dischargeLog';
import { healthOf, type Health } from '@/core/battery/health';
import { readLogTable, type LogTable } from '@/core/battery/logTable';
import { measuredAttributes } from '@/core/shared/gradingRules';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { readTable } from './readTable';

export interface BatteryLog extends Omit<LogTable, 'samples'> {
  readonly discharge: Discharge;
  readonly health: Health;
}

/** No cell holds more of its rating: then the log, or the label, is another’s. */
const mostShare = measuredAttributes.capacityShare.high;

export const mostLogBytes = 16 * 1_000_000;
const logBounds = { mostBytes: mostLogBytes, mostRows: 400_000, most: '16 MB' } as const;

/**
 * Reads the log of a battery analyser: a CSV file with a column each for time, voltage and current, and one for temperature
 * if there is one.
 *
 * @refuses as `readTable`, `readLogTable` and `readDischarge`; 'log-rating' when more was counted than such a cell can hold
 */
export function readBatteryLog({
  bytes,
  ...limits
}: DischargeLimits & { readonly bytes: Uint8Array }): Outcome<BatteryLog> {
  const table = readTable(bytes, logBounds);
  if (!table.ok) return table;
  const read = readLogTable(table.value.rows, limits.ratedAmpHours, table.value.separator !== ',');
  if (!read.ok) return read;
  const { samples, ...about } = read.value;
  const discharge = readDischarge(samples, limits);
  if (!discharge.ok) return discharge;
  const health = healthOf(discharge.value, limits.ratedAmpHours);
  if (health.capacityShare.value > mostShare)
    return refuse('log-rating', {
      counted: Math.round(health.ampHours.value * 100) / 100,
      rated: limits.ratedAmpHours,
    });
  return accept({ ...about, discharge: discharge.value, health });
}
