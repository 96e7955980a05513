import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { inflateSync } from 'node:zlib';
import { prepareZXingModule, readBarcodes } from 'zxing-wasm/reader';

let isReady = false;

/** The reader's own file, so that it asks nobody for it. */
function prepare(): void {
  if (isReady) return;
  const file = createRequire(__filename).resolve('zxing-wasm/reader/zxing_reader.wasm');
  prepareZXingModule({ overrides: { wasmBinary: new Uint8Array(readFileSync(file)).buffer } });
  isReady = true;
}

/** What a scanner reads in a picture: a PNG, or plain pixels. */
export async function readCode(picture: Uint8Array | ImageData): Promise<readonly string[]> {
  prepare();
  const found = await readBarcodes(picture, { formats: ['DataMatrix'], tryHarder: true });
  return found.map(({ text }) => text);
}

interface Stream {
  readonly dictionary: string;
  readonly bytes: Buffer;
}

/** The pictures in a PDF as we write it, laid on white paper. */
export function picturesOf(pdf: Buffer): readonly ImageData[] {
  const streams = imageStreams(pdf);
  const pick = ({ dictionary }: Stream, name: string) =>
    Number(new RegExp(`/${name} (\\d+)`).exec(dictionary)?.[1] ?? 0);
  const masks = streams.filter(({ dictionary }) => dictionary.includes('/DeviceGray'));
  return streams
    .filter(({ dictionary }) => dictionary.includes('/DeviceRGB'))
    .map((picture, at) => {
      const [width, height] = [pick(picture, 'Width'), pick(picture, 'Height')];
      const data = new Uint8ClampedArray(width * height * 4);
      for (let pixel = 0; pixel < width * height; pixel += 1) {
        const cover = (masks[at]?.bytes[pixel] ?? 255) / 255;
        for (let colour = 0; colour < 3; colour += 1)
          data[pixel * 4 + colour] = (picture.bytes[pixel * 3 + colour] as number) * cover + 255 * (1 - cover);
        data[pixel * 4 + 3] = 255;
      }
      return { data, width, height, colorSpace: 'srgb' } as ImageData;
    });
}

function imageStreams(pdf: Buffer): readonly Stream[] {
  const text = pdf.toString('latin1');
  return [...text.matchAll(/<<[^<>]*\/Subtype \/Image[^<>]*>>\nstream\n/g)].map((match) => {
    const start = match.index + match[0].length;
    const length = Number(/\/Length (\d+)/.exec(match[0])?.[1] ?? 0);
    return { dictionary: match[0], bytes: inflateSync(pdf.subarray(start, start + length)) };
  });
}
