import { servedFrom } from '@/app/servedFrom';
import { watch } from '@/app/watch';
import { database } from '@/data/connection';
import { writeGauges } from '@/files/machine/writeGauges';
import { readMachine } from '@/services/machine/readMachine';
import { guardReader } from '../v1/reading';

/** What the processes of this server counted and how the machine is, in the open exposition format, for a program with a key. */
export const GET = guardReader(async () => {
  const [counted, { state }] = await Promise.all([
    watch()?.metrics() ?? '',
    readMachine(database(), servedFrom(), new Date()),
  ]);
  return new Response(`${counted}${writeGauges(state)}`, {
    headers: { 'content-type': 'text/plain; version=0.0.4; charset=utf-8', 'cache-control': 'no-store' },
  });
});
