import { message, type Message } from '@/core/shared/message';
import type { BackupState, MachineState } from './machineState';

/** How much it presses: now, within days, or not at all. */
export type Urgency = 'now' | 'soon' | 'fine';

export interface Verdict {
  readonly about: 'disk' | 'backup' | 'backup-disk' | 'queue' | 'clock';
  readonly urgency: Urgency;
  readonly says: Message<'machine'>;
  readonly mend: Message<'machine'> | null;
}

const gb = 1_000_000_000;
/** Whole gigabytes, and tenths where there are few. */
export const inGb = (bytes: number): number =>
  bytes >= 10 * gb ? Math.round(bytes / gb) : Math.round(bytes / (gb / 10)) / 10;
const hourMs = 3_600_000;
const dayMs = 24 * hourMs;

/** Days and bytes below which room is short. */
const shortRoom = { now: { days: 7, bytes: gb }, soon: { days: 60, bytes: 5 * gb } } as const;
/** A backup is due once a day; one that was missed may be made up, three are a fault. Hours. */
const backupAge = { soon: 30, now: 72 } as const;
/** Fewer facts say nothing of how large a fact is. */
const fewestFacts = 1000;
/** So many at once are a queue, and not the work of a moment. */
const manyWaiting = 10;
const manyUncounted = 5000;

/**
 * In how many days the disk of a shop is full if it goes on as in the last two weeks: its own growth and, on the same disk, that of
 * every backup that is kept.
 *
 * @returns days; infinity when nothing grows, or too little is known
 */
export function daysLeft({ room, shop, backup }: Pick<MachineState, 'room' | 'shop' | 'backup'>): number {
  if (!room || shop.facts < fewestFacts) return Infinity;
  const perDay = (shop.bytes / shop.facts) * shop.factsPerDay;
  const kept =
    typeof backup === 'object' && backup.isSameDisk && backup.newest
      ? (backup.keep * backup.newest.bytes) / Math.max(1, shop.bytes)
      : 0;
  const growth = perDay * (1 + kept);
  return growth > 0 ? room.freeBytes / growth : Infinity;
}

/** What a lead should know of the machine, the most pressing first, with what to do. */
export function judgeMachine(state: MachineState): readonly Verdict[] {
  const order: readonly Urgency[] = ['now', 'soon', 'fine'];
  return [...judgeDisk(state), ...judgeBackup(state), ...judgeQueue(state), ...judgeClocks(state)].sort(
    (one, other) => order.indexOf(one.urgency) - order.indexOf(other.urgency),
  );
}

/** Only what presses: the least that a lead must see without asking. */
export const pressing = (state: MachineState): readonly Verdict[] =>
  judgeMachine(state).filter(({ urgency }) => urgency === 'now');

function judgeDisk(state: MachineState): readonly Verdict[] {
  const { room } = state;
  if (!room) return [];
  const days = daysLeft(state);
  const isShort = (limit: { readonly days: number; readonly bytes: number }) =>
    room.freeBytes < limit.bytes || days < limit.days;
  const urgency = isShort(shortRoom.now) ? 'now' : isShort(shortRoom.soon) ? 'soon' : 'fine';
  const hasPace = Number.isFinite(days) ? 'yes' : 'no';
  return [
    {
      about: 'disk',
      urgency,
      says: message('machine.diskFree', {
        free: inGb(room.freeBytes),
        total: inGb(room.totalBytes),
        hasPace,
        days: hasPace === 'yes' ? Math.min(9999, Math.floor(days)) : 0,
      }),
      mend: urgency === 'fine' ? null : message('machine.freeTheDisk'),
    },
  ];
}

function judgeBackup(state: MachineState): readonly Verdict[] {
  const { backup } = state;
  if (backup === 'demo') return [verdict('backup', 'fine', message('machine.demoIsNotKept'))];
  if (backup === 'elsewhere')
    return [verdict('backup', 'fine', message('machine.keptElsewhere'), message('machine.askWhoKeepsIt'))];
  if (backup === 'unreadable')
    return [verdict('backup', 'now', message('machine.choiceUnreadable'), message('machine.chooseFolder'))];
  return [judgeAge(state, backup), ...judgeBackupDisk(backup)];
}

function judgeAge({ at, shop }: MachineState, { newest, folder, count }: BackupState): Verdict {
  const now = Date.parse(at);
  if (!newest) {
    const isNew = shop.firstAt === null || now - Date.parse(shop.firstAt) < dayMs;
    return isNew
      ? verdict('backup', 'fine', message('machine.firstBackupComes'))
      : verdict('backup', 'now', message('machine.noBackup'), message('machine.makeBackup'));
  }
  const hours = Math.max(0, (now - Date.parse(newest.at)) / hourMs);
  const urgency = hours > backupAge.now ? 'now' : hours > backupAge.soon ? 'soon' : 'fine';
  const says = message('machine.lastBackup', { hours: Math.floor(hours), days: Math.floor(hours / 24), count, folder });
  return verdict('backup', urgency, says, urgency === 'fine' ? undefined : message('machine.makeBackup'));
}

function judgeBackupDisk({ room, newest, folder, isSameDisk }: BackupState): readonly Verdict[] {
  if (!room)
    return [verdict('backup-disk', 'now', message('machine.folderAway', { folder }), message('machine.plugIn'))];
  // One is written whole before the oldest gives way.
  if (newest && room.freeBytes < newest.bytes * 2)
    return [
      verdict(
        'backup-disk',
        'now',
        message('machine.noRoomForNext', { free: inGb(room.freeBytes), needed: inGb(newest.bytes) }),
        message('machine.chooseFolder'),
      ),
    ];
  return isSameDisk
    ? [verdict('backup-disk', 'soon', message('machine.sameDisk'), message('machine.chooseFolder'))]
    : [];
}

function judgeQueue({ late, uncounted, waiting }: MachineState): readonly Verdict[] {
  const verdicts: Verdict[] = late.map(({ bench, facts, longestMinutes }) =>
    verdict(
      'queue',
      'soon',
      message('machine.cameLate', { bench, count: facts, minutes: longestMinutes }),
      message('machine.lookAtNetwork'),
    ),
  );
  if (waiting >= manyWaiting)
    verdicts.push(
      verdict('queue', 'now', message('machine.waitsForDatabase', { waiting }), message('machine.lookAtLog')),
    );
  if (uncounted >= manyUncounted)
    verdicts.push(
      verdict('queue', 'soon', message('machine.notCounted', { count: uncounted }), message('machine.recount')),
    );
  if (verdicts.length === 0) verdicts.push(verdict('queue', 'fine', message('machine.nothingWaits')));
  return verdicts;
}

const judgeClocks = ({ clocks }: MachineState): readonly Verdict[] =>
  clocks.map(({ bench, offS, facts }) =>
    verdict(
      'clock',
      'soon',
      message('machine.clockIsOff', {
        bench,
        minutes: Math.round(Math.abs(offS) / 60),
        isAhead: offS > 0 ? 'yes' : 'no',
        count: facts,
      }),
      message('machine.setClock'),
    ),
  );

const verdict = (
  about: Verdict['about'],
  urgency: Urgency,
  says: Message<'machine'>,
  mend?: Message<'machine'>,
): Verdict => ({ about, urgency, says, mend: mend ?? null });
