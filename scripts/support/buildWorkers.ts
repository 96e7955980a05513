import { build } from 'esbuild';
import { join } from 'node:path';
import { projectRoot } from './home';

/** What runs in threads of the server, by the name of its compiled file. */
const workers = { documents: 'documents/documentWorker.ts', match: 'match/matchWorker.ts' } as const;

export type WorkerFiles = Readonly<Record<keyof typeof workers, string>>;

/** Compiles what runs in threads of the server into a folder inside of the project, above which its packages are found. */
export async function buildWorkers(folder = join(projectRoot, '.next', 'workers')): Promise<WorkerFiles> {
  const files = await Promise.all(
    Object.entries(workers).map(async ([name, source]) => {
      const outfile = join(folder, `${name}.cjs`);
      await build({
        entryPoints: [join(projectRoot, 'src', 'workers', source)],
        outfile,
        bundle: true,
        platform: 'node',
        format: 'cjs',
        packages: 'external',
        tsconfig: join(projectRoot, 'tsconfig.json'),
        logLevel: 'error',
      });
      return [name, outfile] as const;
    }),
  );
  return Object.fromEntries(files) as WorkerFiles;
}

/** For who works without a build: a script, or tests. */
export async function readyWorkers(): Promise<void> {
  if (process.env.PLUCKY_DOCUMENT_WORKER && process.env.PLUCKY_MATCH_WORKER) return;
  const { documents, match } = await buildWorkers(join(projectRoot, '.plucky', 'workers'));
  process.env.PLUCKY_DOCUMENT_WORKER ??= documents;
  process.env.PLUCKY_MATCH_WORKER ??= match;
}
