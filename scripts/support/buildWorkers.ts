import { build } from 'esbuild';
import { join } from 'node:path';
import { projectRoot } from './home';

/** Compiles what runs in threads of the server into a folder inside of the project, above which its packages are found. */
export async function buildWorkers(folder = join(projectRoot, '.next', 'workers')): Promise<string> {
  const outfile = join(folder, 'documents.cjs');
  await build({
    entryPoints: [join(projectRoot, 'src', 'workers', 'documents', 'documentWorker.ts')],
    outfile,
    bundle: true,
    platform: 'node',
    format: 'cjs',
    packages: 'external',
    tsconfig: join(projectRoot, 'tsconfig.json'),
    logLevel: 'error',
  });
  return outfile;
}

/** For who works without a build: a script, or tests. */
export async function readyWorkers(): Promise<void> {
  process.env.PLUCKY_DOCUMENT_WORKER ??= await buildWorkers(join(projectRoot, '.plucky', 'workers'));
}
