import { createHash } from 'node:crypto';
import { realpathSync } from 'node:fs';
import { createServer, type Server } from 'node:net';

/** Gives a held folder back. */
export type Release = () => Promise<void>;

/**
 * A name that the kernel gives to one process at a time, and takes back when that process is gone, however it went: a socket
 * without a file (Linux). It is one per folder, by whatever path that is reached.
 */
const nameOf = (folder: string): string =>
  `\0plucky-folder-${createHash('sha256').update(realpathSync(folder)).digest('hex').slice(0, 32)}`;

/** Takes a folder for this process; undefined while another one has it. */
export async function holdFolder(folder: string): Promise<Release | undefined> {
  const holder: Server = createServer((caller) => caller.destroy());
  const isHeld = await new Promise<boolean>((settle, fail) => {
    holder.once('error', (error: NodeJS.ErrnoException) => (error.code === 'EADDRINUSE' ? settle(false) : fail(error)));
    holder.listen(nameOf(folder), () => settle(true));
  });
  if (!isHeld) return undefined;
  holder.unref();
  return () => new Promise((done) => holder.close(() => done()));
}
