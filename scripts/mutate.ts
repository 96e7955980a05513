import { createRequire } from 'node:module';
import { mkdirSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { projectRoot } from './support/home';
import { show } from './support/processes';
import { say } from './support/say';

/** What is mutated in each room, and the tests that are to notice. */
const rooms: Readonly<Record<string, { readonly mutate: readonly string[]; readonly tests: readonly string[] }>> = {
  findings: {
    mutate: ['src/core/findings/*.ts'],
    tests: ['src/core/findings', 'src/core/shop/findingsAtTheDoor'],
  },
  grading: { mutate: ['src/core/grading/*.ts'], tests: ['src/core/grading', 'src/core/findings'] },
  matching: {
    mutate: ['src/core/matching/*.ts', 'src/core/sale/*.ts'],
    tests: ['src/core/matching', 'src/core/sale'],
  },
  sheet: {
    mutate: ['src/core/shop/facts/{sheet,step}Facts.ts', 'src/core/shop/{openSheet,stepParts}.ts'],
    tests: ['src/core/shop'],
  },
  shop: {
    mutate: ['src/core/shop/facts/{dock,triage,part,match,proof,mend}Facts.ts', 'src/core/shop/apply*.ts'],
    tests: ['src/core/shop', 'src/core/flow'],
  },
};

/**
 * `npm run mutate ROOM`: changes the code of a room in every way the mutation tester knows, and counts how many changes
 * its tests notice. On demand; it takes minutes to an hour. `npm run mutate ROOM quick` leaves out what is only run while
 * a file is loaded, as the rows of a table are: each such change needs all tests of the room.
 */
async function mutate(room: string | undefined, isQuick: boolean): Promise<void> {
  const asked = room === undefined ? undefined : rooms[room];
  if (!asked) {
    say(`Which room? ${Object.keys(rooms).join(', ')}`);
    process.exitCode = 1;
    return;
  }
  const file = join(projectRoot, '.plucky', `mutate-${room}.json`);
  mkdirSync(dirname(file), { recursive: true });
  writeFileSync(
    file,
    JSON.stringify({
      mutate: [...asked.mutate, '!src/**/*.test.ts'],
      testRunner: 'jest',
      plugins: ['@stryker-mutator/jest-runner'],
      jest: {
        projectType: 'custom',
        config: { ...unitProject(), testMatch: [...asked.tests.map(testsIn), ...tooLong] },
      },
      // A machine that does other work beside this is slow, which is not the change's doing.
      timeoutMS: 20_000,
      coverageAnalysis: 'perTest',
      ignoreStatic: isQuick,
      ignorePatterns: ['.next', '.plucky', 'docs/screenshots', 'reports'],
      tempDirName: '.plucky/mutate',
      reporters: ['clear-text'],
      clearTextReporter: { allowColor: false, reportTests: false },
      concurrency: Number(process.env.PLUCKY_MUTATE_AT_ONCE ?? 2),
      thresholds: { high: 85, low: 70, break: null },
    }),
  );
  const tester = join('node_modules', '@stryker-mutator', 'core', 'bin', 'stryker.js');
  process.exitCode = await show(process.execPath, [tester, 'run', file], { cwd: projectRoot });
}

/** Random histories that take seconds each: what only they notice counts as unnoticed. */
const tooLong = ['!**/{replay,anyCourse}.test.ts'];

const testsIn = (path: string): string => `<rootDir>/${path}${path.split('/').length > 3 ? '*' : '/**/*'}.test.ts`;

/** The unit project of Jest, as its own configuration; its root is wherever the tester puts its copy. */
function unitProject(): object {
  const load = createRequire(import.meta.url);
  const { projects } = load('../jest.config.cjs') as { projects: readonly { displayName: string }[] };
  return { ...projects.find(({ displayName }) => displayName === 'unit'), rootDir: undefined };
}

void mutate(process.argv[2], process.argv[3] === 'quick');
