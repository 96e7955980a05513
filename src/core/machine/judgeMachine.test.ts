import fc from 'fast-check';
import { daysLeft, judgeMachine, pressing, type Verdict } from './judgeMachine';
import type { BackupState, MachineState } from './machineState';

const gb = 1_000_000_000;
const now = '2026-11-28T10:00:00.000Z';
const ago = (hours: number) => new Date(Date.parse(now) - hours * 3_600_000).toISOString();

const kept: BackupState = {
  folder: '/mnt/other',
  keep: 7,
  count: 7,
  newest: { at: ago(5), bytes: 0.2 * gb },
  room: { freeBytes: 100 * gb, totalBytes: 200 * gb },
  isSameDisk: false,
};
const well: MachineState = {
  at: now,
  room: { freeBytes: 100 * gb, totalBytes: 200 * gb },
  shop: { bytes: gb, facts: 500_000, factsPerDay: 1000, firstAt: ago(24 * 300) },
  backup: kept,
  late: [],
  clocks: [],
  uncounted: 0,
  waiting: 0,
};
const about = (verdicts: readonly Verdict[], what: Verdict['about']) =>
  verdicts.filter((verdict) => verdict.about === what).map(({ urgency, says }) => [urgency, says.code]);

describe('what a lead should know of the machine', () => {
  test('of one that is well every line is fine', () => {
    expect(judgeMachine(well).map(({ urgency }) => urgency)).toEqual(['fine', 'fine', 'fine']);
    expect(pressing(well)).toEqual([]);
  });

  test.each<[string, Partial<MachineState>, Verdict['about'], string, string]>([
    ['a disk nearly full', { room: { freeBytes: 0.5 * gb, totalBytes: 200 * gb } }, 'disk', 'now', 'machine.diskFree'],
    ['a disk that fills', { room: { freeBytes: 4 * gb, totalBytes: 200 * gb } }, 'disk', 'soon', 'machine.diskFree'],
    ['a busy shop', { shop: { ...well.shop, factsPerDay: 8_000_000 } }, 'disk', 'now', 'machine.diskFree'],
    ['no backup', { backup: { ...kept, newest: null, count: 0 } }, 'backup', 'now', 'machine.noBackup'],
    [
      'a missed backup',
      { backup: { ...kept, newest: { at: ago(40), bytes: 1 } } },
      'backup',
      'soon',
      'machine.lastBackup',
    ],
    ['three missed', { backup: { ...kept, newest: { at: ago(90), bytes: 1 } } }, 'backup', 'now', 'machine.lastBackup'],
    ['a disk not plugged in', { backup: { ...kept, room: null } }, 'backup-disk', 'now', 'machine.folderAway'],
    [
      'no room for one',
      { backup: { ...kept, room: { freeBytes: 0.3 * gb, totalBytes: gb } } },
      'backup-disk',
      'now',
      'machine.noRoomForNext',
    ],
    ['one disk for both', { backup: { ...kept, isSameDisk: true } }, 'backup-disk', 'soon', 'machine.sameDisk'],
    ['a choice nobody can read', { backup: 'unreadable' }, 'backup', 'now', 'machine.choiceUnreadable'],
    ['the demo', { backup: 'demo' }, 'backup', 'fine', 'machine.demoIsNotKept'],
    ['another machine', { backup: 'elsewhere' }, 'backup', 'fine', 'machine.keptElsewhere'],
    ['late facts', { late: [{ bench: 'Bench 2', facts: 3, longestMinutes: 40 }] }, 'queue', 'soon', 'machine.cameLate'],
    ['a wrong clock', { clocks: [{ bench: 'Bench 2', facts: 3, offS: -700 }] }, 'clock', 'soon', 'machine.clockIsOff'],
    ['a database that is behind', { waiting: 30 }, 'queue', 'now', 'machine.waitsForDatabase'],
    ['counts that are behind', { uncounted: 9000 }, 'queue', 'soon', 'machine.notCounted'],
  ])('%s', (_what, change, what, urgency, code) => {
    expect(about(judgeMachine({ ...well, ...change }), what)).toContainEqual([urgency, code]);
  });

  test('a shop of this morning need not have a backup yet, and an empty one never', () => {
    const none = { ...kept, newest: null, count: 0 };
    for (const firstAt of [null, ago(3)])
      expect(pressing({ ...well, backup: none, shop: { ...well.shop, firstAt } })).toEqual([]);
  });

  test('what presses comes first, and says what to do', () => {
    const state: MachineState = {
      ...well,
      room: { freeBytes: 2 * gb, totalBytes: 200 * gb },
      backup: { ...kept, newest: null, count: 0 },
      late: [{ bench: 'Bench 1', facts: 1, longestMinutes: 12 }],
    };
    const verdicts = judgeMachine(state);
    expect(verdicts.map(({ urgency }) => urgency)).toEqual(['now', 'soon', 'soon']);
    expect(verdicts.every(({ mend }) => mend !== null)).toBe(true);
  });

  test('the days that are left are those of a count day by day', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 40 }),
        fc.integer({ min: 50_000, max: 400_000 }),
        fc.integer({ min: 1, max: 14 }),
        fc.boolean(),
        (freeGb, factsPerDay, keep, isSameDisk) => {
          const state = {
            ...well,
            room: { freeBytes: freeGb * gb, totalBytes: 200 * gb },
            shop: { ...well.shop, factsPerDay },
            backup: { ...kept, keep, isSameDisk },
          };
          // A fact takes 2000 bytes here, and a fifth of that in each backup.
          const growth = factsPerDay * 2000 * (1 + (isSameDisk ? keep * 0.2 : 0));
          let days = 0;
          for (let free = freeGb * gb; free >= growth; free -= growth) days += 1;
          expect(Math.floor(daysLeft(state))).toBe(days);
        },
      ),
    );
  });

  test('of a shop that stands still, or of which little is known, no day is told', () => {
    expect(daysLeft({ ...well, shop: { ...well.shop, factsPerDay: 0 } })).toBe(Infinity);
    expect(daysLeft({ ...well, shop: { ...well.shop, facts: 10 } })).toBe(Infinity);
  });
});
