import type { MachineState } from '@/core/machine/machineState';

/** The state of a machine as gauges in the open exposition format (text, version 0.0.4). What is not known is left out. */
export function writeGauges({ at, room, shop, backup, uncounted, waiting, late, clocks }: MachineState): string {
  const kept = typeof backup === 'object' ? backup : null;
  const age = kept?.newest ? (Date.parse(at) - Date.parse(kept.newest.at)) / 1000 : null;
  const gauges: readonly (readonly [name: string, help: string, value: number | null])[] = [
    ['plucky_facts', 'Position of the last fact of the log.', shop.facts],
    ['plucky_facts_uncounted', 'Facts that are not counted yet.', uncounted],
    ['plucky_facts_late', 'Facts of the last day that had waited in a browser.', sum(late)],
    ['plucky_facts_clock_off', 'Facts of the last day whose clock was put right.', sum(clocks)],
    ['plucky_database_bytes', 'Size of the tables of the shop.', shop.bytes],
    ['plucky_database_waiting', 'Requests of the process asked that wait for a connection.', waiting],
    ['plucky_disk_free_bytes', 'Room on the disk of the shop.', room?.freeBytes ?? null],
    ['plucky_backup_age_seconds', 'Age of the newest backup.', age],
    ['plucky_backup_bytes', 'Size of the newest backup.', kept?.newest?.bytes ?? null],
    ['plucky_backup_disk_free_bytes', 'Room on the disk of the backups.', kept?.room?.freeBytes ?? null],
  ];
  return gauges
    .filter(([, , value]) => value !== null)
    .map(([name, help, value]) => `# HELP ${name} ${help}\n# TYPE ${name} gauge\n${name} ${value}\n`)
    .join('');
}

const sum = (rows: readonly { readonly facts: number }[]): number =>
  rows.reduce((total, { facts }) => total + facts, 0);
