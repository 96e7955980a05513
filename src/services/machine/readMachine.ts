import type { Knex } from 'knex';
import { judgeMachine, pressing, type Verdict } from '@/core/machine/judgeMachine';
import type { BackupState, MachineState, NoBackups, ShopSize } from '@/core/machine/machineState';
import {
  firstFactAt,
  lateFacts,
  shopSize,
  uncountedFacts,
  waitingForConnection,
  wrongClocks,
} from '@/data/machine/machineFigures';
import { readChoice, usualFolder } from '@/files/backup/backupChoice';
import { listBackups } from '@/files/backup/backupFolder';
import { diskRoom, isSameDisk } from '@/files/machine/diskRoom';

/** Where a shop is served from, as whoever started this process said. */
export interface ServedFrom {
  /** The home of the shop; undefined when its database is on another machine. */
  readonly home: string | undefined;
  readonly isDemo: boolean;
}

export interface MachineView {
  readonly state: MachineState;
  readonly verdicts: readonly Verdict[];
}

/** What the machine is like and what a lead should do about it. */
export async function readMachine(db: Knex, from: ServedFrom, now: Date): Promise<MachineView> {
  const [shop, late, clocks, uncounted, disk] = await Promise.all([
    shopSize(db, now),
    lateFacts(db, now),
    wrongClocks(db, now),
    uncountedFacts(db),
    readDisk(from),
  ]);
  const state = { at: now.toISOString(), shop, late, clocks, uncounted, waiting: waitingForConnection(db), ...disk };
  return { state, verdicts: judgeMachine(state) };
}

/** Only what presses, of what can be told without asking the database for much. */
export async function readPressing(db: Knex, from: ServedFrom, now: Date): Promise<readonly Verdict[]> {
  const first = await firstFactAt(db);
  const shop: ShopSize = { bytes: 0, facts: 0, factsPerDay: 0, firstAt: first?.toISOString() ?? null };
  const quiet = { late: [], clocks: [], uncounted: 0, waiting: 0 };
  return pressing({ at: now.toISOString(), shop, ...quiet, ...(await readDisk(from)) });
}

async function readDisk({ home, isDemo }: ServedFrom): Promise<Pick<MachineState, 'room' | 'backup'>> {
  if (home === undefined) return { room: null, backup: 'elsewhere' };
  const [room, backup] = await Promise.all([diskRoom(home), isDemo ? ('demo' as const) : readBackup(home)]);
  return { room, backup };
}

async function readBackup(home: string): Promise<BackupState | NoBackups> {
  try {
    const { folder, keep } = readChoice(home);
    const there = listBackups(folder);
    const isUsual = folder === usualFolder(home);
    const [room, same] = await Promise.all([diskRoom(isUsual ? home : folder), isSameDisk(home, folder)]);
    const [newest] = there;
    return {
      folder,
      keep,
      count: there.length,
      newest: newest ? { at: newest.at, bytes: newest.bytes } : null,
      room,
      isSameDisk: isUsual || same,
    };
  } catch {
    return 'unreadable';
  }
}
