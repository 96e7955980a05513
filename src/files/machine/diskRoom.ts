import { stat, statfs } from 'node:fs/promises';
import type { DiskRoom } from '@/core/machine/machineState';

/** How much room the disk of a folder has; null when the folder is not there. */
export async function diskRoom(folder: string): Promise<DiskRoom | null> {
  try {
    const { bavail, blocks, bsize } = await statfs(folder);
    return { freeBytes: bavail * bsize, totalBytes: blocks * bsize };
  } catch {
    return null;
  }
}

/** Whether two folders lie on the same disk; one that is not there lies on none. */
export async function isSameDisk(one: string, other: string): Promise<boolean> {
  try {
    return (await stat(one)).dev === (await stat(other)).dev;
  } catch {
    return false;
  }
}
