import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { guardRoute } from '@/app/access';

const file = join(process.cwd(), 'node_modules', 'zxing-wasm', 'dist', 'reader', 'zxing_reader.wasm');

/** The package that reads codes from pictures, for browsers that cannot by themselves: asked for when a camera opens. */
export const GET = guardRoute(
  'GET /api/code-reader',
  async () =>
    new Response(new Uint8Array(await readFile(file)), {
      headers: { 'content-type': 'application/wasm', 'cache-control': 'private, max-age=86400' },
    }),
);
