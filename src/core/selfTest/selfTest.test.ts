import fc from 'fast-check';
import type { DeviceKind, DeviceTest } from '@/core/procedure/vocabulary';
import { startingGradingRules as rules } from '@/core/shared/gradingRules';
import { askedOfPart, askedOfUnit, settles } from './asked';
import { readSelfTestCode, selfTestCode } from './code';
import { defectsOf, sameSpot } from './defects';
import { coverageOf, enoughOfTones, heardAboveDb, judgeSelfTest } from './judgeSelfTest';
import { pictureFigures } from './pictureFigures';
import { markKinds, patterns, selfTestKinds, type Mark, type SoundRead } from './reads';

const mark = fc.record({
  pattern: fc.constantFrom(...patterns),
  kind: fc.constantFrom(...markKinds),
  x: fc.integer({ min: 0, max: 200 }),
  y: fc.integer({ min: 0, max: 200 }),
});

/** Marks that belong together, found another way: reach grows by whole rounds until nothing changes. */
function groupsByRounds(marks: readonly Mark[]): number[] {
  const groups = marks.map((_, at) => at);
  for (let changed = true; changed;) {
    changed = false;
    for (const [a, one] of marks.entries())
      for (const [b, other] of marks.entries()) {
        const isNear = one.kind === other.kind && Math.hypot(one.x - other.x, one.y - other.y) <= sameSpot;
        const least = Math.min(groups[a] ?? 0, groups[b] ?? 0);
        if (!isNear || (groups[a] === least && groups[b] === least)) continue;
        groups[a] = groups[b] = least;
        changed = true;
      }
  }
  return groups;
}

test('marks of one spot are one defect, whatever their order: as a slower way of grouping finds it', () => {
  fc.assert(
    fc.property(fc.array(mark, { maxLength: 25 }), (marks) => {
      const defects = defectsOf(marks);
      expect(defects).toHaveLength(new Set(groupsByRounds(marks)).size);
      expect(defects.flatMap((defect) => defect.marks)).toHaveLength(marks.length);
      const kinds = (all: readonly Mark[]) => defectsOf(all).map(({ kind }) => kind);
      expect(kinds([...marks].reverse()).sort()).toEqual(kinds(marks).sort());
    }),
  );
});

test('a dot that shines on black is stuck, on whatever else it was seen; any other is dead', () => {
  const at = (pattern: Mark['pattern'], x: number): Mark => ({ pattern, kind: 'dot', x, y: 50 });
  expect(defectsOf([at('white', 10), at('red', 14), at('black', 200), at('green', 195)])).toMatchObject([
    { kind: 'dead', x: 12, y: 50 },
    { kind: 'stuck', x: 197.5, y: 50 },
  ]);
});

const look = (marks: readonly Mark[]) =>
  judgeSelfTest({ is: 'picture', width: 360, height: 780, shown: patterns, marks }, rules);
const dots = (count: number): Mark[] =>
  Array.from({ length: count }, (_, at) => ({ pattern: 'white', kind: 'dot', x: at * 100, y: 0 }));

test('a screen fails where a part with that reading would be scrap, by the limits of the house', () => {
  expect(look(dots(8))).toEqual({ tests: { picture: 'sound' }, readings: { deadPixels: 8, picture: 'even' } });
  expect(look(dots(9)).tests).toEqual({ picture: 'fault' });
  const stricter = { ...rules, gradingLimits: { ...rules.gradingLimits, deadPixels: { A: 0, B: 0, C: 0, D: 0 } } };
  expect(judgeSelfTest({ is: 'picture', width: 1, height: 1, shown: [], marks: dots(1) }, stricter).tests).toEqual({
    picture: 'fault',
  });
  const burn: Mark = { pattern: 'grey', kind: 'burn', x: 0, y: 0 };
  expect(look([burn]).readings).toMatchObject({ picture: 'burn', deadPixels: 0 });
  expect(look([burn, { ...burn, kind: 'line' }])).toMatchObject({
    tests: { picture: 'fault' },
    readings: { picture: 'lines' },
  });
});

test('the share of a grid that felt a finger is never rounded up', () => {
  expect([coverageOf(160, 0), coverageOf(160, 160), coverageOf(3000, 1), coverageOf(160, 3)]).toEqual([
    100, 0, 99.9, 98.1,
  ]);
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 4000 }), fc.nat(), (cells, some) => {
      const missed = some % (cells + 1);
      expect(coverageOf(cells, missed)).toBeLessThanOrEqual((100 * (cells - missed)) / cells + 1e-9);
    }),
  );
  const touch = (missed: number[]) => judgeSelfTest({ is: 'touch', columns: 10, rows: 16, missed, fingers: 5 }, rules);
  expect([touch([]), touch([7, 8, 9]), touch([6, 7, 8, 9])].map(({ tests }) => tests.touch)).toEqual([
    'sound',
    'sound',
    'fault',
  ]);
});

/** A sweep through a speaker and a microphone that work or not: what is heard is what is played, or only the room. */
function sweep(speaker: boolean, microphone: boolean, byEar: SoundRead['byEar']): SoundRead {
  const tones = [300, 600, 1200, 2400, 4800].map((hertz) => ({
    hertz,
    quietDb: microphone ? -80 : -140,
    heardDb: microphone ? (speaker ? -40 : -79) : -140,
  }));
  return { is: 'sound', tones, byEar };
}

test('speaker and microphone: what cannot be told apart is not said, and an ear tells which of them failed', () => {
  const says = (read: SoundRead) => judgeSelfTest(read, rules).tests;
  expect(says(sweep(true, true, null))).toEqual({ sound: 'sound', microphone: 'sound' });
  expect(says(sweep(true, false, null))).toEqual({});
  expect(says(sweep(true, false, 'clear'))).toEqual({ sound: 'sound', microphone: 'fault' });
  expect(says(sweep(false, true, 'nothing'))).toEqual({ sound: 'fault' });
  expect(says(sweep(false, false, 'nothing'))).toEqual({ sound: 'fault' });
  // It rattles: heard, and yet no good.
  expect(says(sweep(true, true, 'poor'))).toEqual({ sound: 'fault', microphone: 'sound' });
  // No microphone was given to the page: nothing is known of it.
  expect(says({ is: 'sound', tones: [], byEar: 'clear' })).toEqual({ sound: 'sound' });
});

test('so many tones are enough, at the edge and beside it', () => {
  const heard = (count: number): SoundRead => ({
    is: 'sound',
    tones: Array.from({ length: 12 }, (_, at) => ({
      hertz: 300 * at,
      quietDb: -70,
      heardDb: -70 + (at < count ? heardAboveDb : heardAboveDb - 0.1),
    })),
    byEar: null,
  });
  const enough = Math.ceil(12 * enoughOfTones);
  expect(judgeSelfTest(heard(enough), rules).tests).toEqual({ sound: 'sound', microphone: 'sound' });
  expect(judgeSelfTest(heard(enough - 1), rules).tests).toEqual({});
});

test('cameras, motor and keys', () => {
  const shot = { facing: 'back', brightness: 120, sharpness: 300, byEye: 'clean', photo: null } as const;
  const cameras = (shots: Parameters<typeof judgeSelfTest>[0]) => judgeSelfTest(shots, rules).tests;
  expect(cameras({ is: 'cameras', shots: [shot, { ...shot, facing: 'front', byEye: 'poor' }] })).toEqual({
    cameras: 'sound',
    'front-camera': 'fault',
  });
  // Said to be clean, and black all over: the eye was not on it.
  expect(cameras({ is: 'cameras', shots: [{ ...shot, brightness: 2, sharpness: 1 }] })).toEqual({ cameras: 'fault' });
  const buzz = (shake: number | null, byHand: 'strong' | 'weak' | 'nothing' | null) =>
    judgeSelfTest({ is: 'vibration', shake, byHand }, rules);
  expect([buzz(0.5, null), buzz(0.2, null), buzz(0.01, null), buzz(null, 'weak'), buzz(null, 'nothing')]).toEqual([
    { tests: { vibration: 'sound' }, readings: { buzz: 'strong' } },
    { tests: { vibration: 'sound' }, readings: { buzz: 'weak' } },
    { tests: { vibration: 'fault' }, readings: { buzz: 'none' } },
    { tests: { vibration: 'sound' }, readings: { buzz: 'weak' } },
    { tests: { vibration: 'fault' }, readings: { buzz: 'none' } },
  ]);
  const keys = (dead: string[]) => judgeSelfTest({ is: 'keys', pressed: 70, dead }, rules).tests.keys;
  expect([keys([]), keys(['KeyQ']), keys(['KeyQ', 'KeyW'])]).toEqual(['sound', 'sound', 'fault']);
});

test('only what a model asks and a browser can settle is gone through', () => {
  const asks = (kind: DeviceKind, ...tests: DeviceTest[]) => askedOfUnit({ kind, tests });
  expect(asks('phone', 'starts', 'touch', 'microphone', 'radios', 'front-camera', 'keys')).toEqual([
    'touch',
    'sound',
    'cameras',
  ]);
  expect(asks('laptop', 'touch', 'keys', 'picture')).toEqual(['picture', 'keys']);
  expect(asks('tablet', 'starts', 'radios')).toEqual([]);
  expect(Object.keys(settles).sort()).toEqual([...selfTestKinds].sort());
  expect([askedOfPart('display'), askedOfPart('battery')]).toEqual([['picture', 'touch'], []]);
});

test('sharpness and brightness as plain arithmetic gives them; a blurred picture is less sharp', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 0, max: 255 }), { minLength: 30, maxLength: 30 }), (greys) => {
      const rgba = new Uint8ClampedArray(greys.flatMap((grey) => [grey, grey, grey, 255]));
      const edges: number[] = [];
      for (let row = 1; row < 4; row += 1)
        for (let column = 1; column < 5; column += 1) {
          const grey = (r: number, c: number) => greys[r * 6 + c] as number;
          edges.push(
            grey(row - 1, column) +
              grey(row + 1, column) +
              grey(row, column - 1) +
              grey(row, column + 1) -
              4 * grey(row, column),
          );
        }
      const mean = edges.reduce((sum, edge) => sum + edge, 0) / edges.length;
      const variance = edges.reduce((sum, edge) => sum + (edge - mean) ** 2, 0) / edges.length;
      const figures = pictureFigures(rgba, 6, 5);
      // Single precision carries seven digits of numbers of up to a million.
      expect(Math.abs(figures.sharpness - variance)).toBeLessThan(0.06 + variance * 1e-4);
      expect(figures.brightness).toBeCloseTo(greys.reduce((sum, grey) => sum + grey, 0) / 30, 0);
    }),
  );
});

test('a code is read however it was typed, and drawn evenly', () => {
  expect([readSelfTestCode(' k7m-2qx '), readSelfTestCode('K7M2Q'), readSelfTestCode('K7M2QO')]).toEqual([
    'K7M2QX',
    null,
    null,
  ]);
  fc.assert(
    fc.property(fc.uint8Array({ minLength: 24, maxLength: 24 }), (bytes) => {
      fc.pre(bytes.filter((byte) => byte < 248).length >= 6);
      expect(readSelfTestCode(selfTestCode(bytes))).not.toBeNull();
    }),
  );
  const every = Uint8Array.from({ length: 248 }, (_, at) => at);
  const first = [...every].map((byte) => selfTestCode(new Uint8Array(6).fill(byte))[0]);
  const often = new Map<string, number>();
  for (const letter of first) often.set(String(letter), (often.get(String(letter)) ?? 0) + 1);
  expect(new Set(often.values())).toEqual(new Set([8]));
});
