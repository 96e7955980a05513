import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { buildWorkers } from './buildWorkers';
import { holdFolder, type Release } from './folderLock';
import { projectRoot } from './home';
import { run } from './processes';
import { say, Trouble } from './say';

const stampFile = join(projectRoot, '.next', 'plucky-stamp');
const sources = ['src', 'data', 'docs/formats', 'next.config.ts', 'package-lock.json', 'tsconfig.json'];

/**
 * Builds the application unless the last build came from the same sources.
 *
 * @param leave  aborted when nobody waits for it any more
 */
export async function buildApplication(leave?: AbortSignal): Promise<void> {
  const release = await turnToBuild(leave);
  try {
    await buildOnce(leave);
  } finally {
    await release?.();
  }
}

/** Of several that start from one checkout one builds, the others wait for it. */
async function turnToBuild(leave?: AbortSignal): Promise<Release | undefined> {
  for (;;) {
    const release = await holdFolder(projectRoot);
    if (release || leave?.aborted) return release;
    await sleep(200);
  }
}

async function buildOnce(leave?: AbortSignal): Promise<void> {
  const stamp = stampOf();
  if (existsSync(stampFile) && readFileSync(stampFile, 'utf8') === stamp) return;
  say('Building the application (about a minute) …');
  const built = await run(process.execPath, [join('node_modules', 'next', 'dist', 'bin', 'next'), 'build'], {
    cwd: projectRoot,
    env: {
      ...process.env,
      NODE_ENV: 'production',
      NEXT_TELEMETRY_DISABLED: '1',
      // The same sources are the same build on every server.
      NEXT_PUBLIC_PLUCKY_BUILD: stamp.slice(0, 16),
    },
    ...(leave && { signal: leave }),
  });
  if (leave?.aborted) return;
  if (built.code !== 0)
    throw new Trouble(
      `The build failed.\n${built.stdout}\n${built.stderr}`,
      'Mend what it names, then run this again.',
    );
  await buildWorkers();
  writeFileSync(stampFile, stamp);
}

function stampOf(): string {
  const hash = createHash('sha256');
  const add = (path: string): void => {
    const full = join(projectRoot, path);
    const entries = readdirSync(full, { withFileTypes: true }).sort((a, b) => a.name.localeCompare(b.name));
    for (const entry of entries) {
      if (entry.isDirectory()) add(join(path, entry.name));
      else if (!/\.test\.tsx?$/.test(entry.name))
        hash.update(join(path, entry.name)).update(readFileSync(join(full, entry.name)));
    }
  };
  for (const source of sources) {
    if (source.includes('.')) hash.update(readFileSync(join(projectRoot, source)));
    else add(source);
  }
  return hash.digest('hex');
}
