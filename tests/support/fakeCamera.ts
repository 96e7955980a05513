import { writeFileSync } from 'node:fs';
import bwipjs from 'bwip-js/node';

const [width, height] = [640, 480];

interface Drawn {
  readonly pixs: readonly number[];
  readonly pixx: number;
  readonly pixy: number;
}

/** A film (Y4M) that a browser takes for its camera: the code of a label, dark on light, held still. */
export function filmOf(file: string, code: string, bcid = 'datamatrix'): string {
  const [drawn] = bwipjs.raw({ bcid, text: code }) as unknown as Drawn[];
  if (!drawn) throw new Error(`filmOf: ${code}`);
  const module = Math.floor(Math.min((width - 120) / drawn.pixx, (height - 120) / drawn.pixy));
  const [left, top] = [(width - drawn.pixx * module) >> 1, (height - drawn.pixy * module) >> 1];
  const light = Buffer.alloc(width * height, 225);
  for (let y = 0; y < drawn.pixy * module; y += 1)
    for (let x = 0; x < drawn.pixx * module; x += 1)
      if (drawn.pixs[Math.floor(y / module) * drawn.pixx + Math.floor(x / module)] === 1)
        light[(top + y) * width + left + x] = 30;
  const colour = Buffer.alloc(((width * height) / 4) * 2, 128);
  const frame = Buffer.concat([Buffer.from('FRAME\n'), light, colour]);
  writeFileSync(
    file,
    Buffer.concat([Buffer.from(`YUV4MPEG2 W${width} H${height} F10:1 Ip A1:1 C420jpeg\n`), frame, frame]),
  );
  return file;
}

/** Arguments for a browser whose camera shows a film and whose person says yes. */
export const cameraOf = (film: string): readonly string[] => [
  '--use-fake-device-for-media-stream',
  '--use-fake-ui-for-media-stream',
  `--use-file-for-fake-video-capture=${film}`,
];
