import fc from 'fast-check';
import sharp from 'sharp';
import { storedPicture } from './storedPicture';

const plain = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: { r: 200, g: 40, b: 40 } } });

const stored = async (bytes: Uint8Array) => {
  const outcome = await storedPicture(bytes);
  if (!outcome.ok) throw new Error(outcome.refusal.reason);
  return outcome.value;
};
const reason = async (bytes: Uint8Array) => {
  const outcome = await storedPicture(bytes);
  return outcome.ok ? 'kept' : outcome.refusal.reason;
};

/** A PNG that says it is as large as it likes, with nothing to show for it. */
async function boasting(width: number, height: number): Promise<Buffer> {
  const bytes = await plain(1, 1).png().toBuffer();
  bytes.writeUInt32BE(width, 16);
  bytes.writeUInt32BE(height, 20);
  return bytes;
}

describe('a picture from outside', () => {
  test('loses the place it was taken at, and all else that is not a pixel', async () => {
    const taken = await plain(60, 40)
      .withExif({
        IFD0: { Copyright: 'Somebody at home' },
        IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '51/1 30/1 0/1', GPSLongitude: '0/1 7/1 0/1' },
      })
      .jpeg()
      .toBuffer();
    expect((await sharp(taken).metadata()).exif?.toString('latin1')).toContain('Somebody at home');
    const kept = await stored(taken);
    expect((await sharp(kept).metadata()).exif).toBeUndefined();
    expect(kept.toString('latin1')).not.toContain('Somebody');
  });

  test('loses what was hung onto its end', async () => {
    const taken = Buffer.concat([await plain(60, 40).jpeg().toBuffer(), Buffer.from('<script>alert(1)</script>')]);
    expect((await stored(taken)).toString('latin1')).not.toContain('script');
  });

  test('stands upright as the camera was held', async () => {
    const taken = await plain(60, 40).withMetadata({ orientation: 6 }).jpeg().toBuffer();
    expect(await sharp(await stored(taken)).metadata()).toMatchObject({ width: 40, height: 60, format: 'jpeg' });
  });

  test.each([
    ['a large one is made small', 4000, 3000, 1600, 1200],
    ['a small one stays as it is', 300, 200, 300, 200],
  ])('%s', async (_what, width, height, ...expected) => {
    const { width: w, height: h } = await sharp(await stored(await plain(width, height).png().toBuffer())).metadata();
    expect([w, h]).toEqual(expected);
  });

  test.each<[string, () => Promise<Uint8Array> | Uint8Array, string]>([
    ['nothing', () => new Uint8Array(), 'picture-unreadable'],
    ['text', () => Buffer.from('hello'), 'picture-unreadable'],
    ['the first bytes of a JPEG', () => Uint8Array.from([0xff, 0xd8, 0xff, 0xe0, 1, 2, 3]), 'picture-unreadable'],
    ['one cut off', async () => (await plain(900, 900).jpeg().toBuffer()).subarray(0, 2000), 'picture-unreadable'],
    [
      'a drawing that may hold a program',
      () => Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><script/></svg>'),
      'picture-unreadable',
    ],
    ['another kind of picture', async () => plain(9, 9).gif().toBuffer(), 'picture-unreadable'],
    ['more bytes than are taken', () => new Uint8Array(3_000_001), 'picture-too-large'],
    ['a small file that says it is huge', () => boasting(50_000, 50_000), 'picture-too-large'],
    ['a small file that says it is large', () => boasting(7_000, 7_000), 'picture-unreadable'],
  ])('%s is refused', async (_what, bytes, expected) => {
    expect(await reason(await bytes())).toBe(expected);
  });

  test('whatever is turned about in a file, it is kept as a picture or refused', async () => {
    const whole = await plain(40, 30).jpeg().toBuffer();
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.tuple(fc.nat(whole.length - 1), fc.integer({ min: 0, max: 255 }))),
        async (turned) => {
          const bytes = Buffer.from(whole);
          for (const [at, value] of turned) bytes[at] = value;
          const outcome = await storedPicture(bytes);
          expect(outcome.ok ? (await sharp(outcome.value).metadata()).format : outcome.refusal.reason).toMatch(
            /^(jpeg|picture-unreadable|picture-too-large)$/,
          );
        },
      ),
      { numRuns: 100 },
    );
  });
});
