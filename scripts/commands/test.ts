import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startApplication } from '../server/application';
import { buildApplication } from '../support/build';
import { dropDatabase } from '../support/databases';
import { demoCopy } from '../support/demoCopy';
import { openHome, projectRoot, type Home } from '../support/home';
import { startDatabase, stopDatabase } from '../server/mariadb';
import { needPackage } from '../support/packages';
import { endChild, show } from '../support/processes';
import { say, Trouble } from '../support/say';
import { dropShop } from '../support/shops';

interface Tally {
  passed: number;
  failed: number;
}

const node = (script: string, args: readonly string[], env: Readonly<Record<string, string>> = {}) =>
  show(process.execPath, [join('node_modules', script), ...args], {
    cwd: projectRoot,
    env: { ...process.env, ...env },
  });

interface Check {
  readonly name: string;
  readonly run: () => Promise<number>;
}

/** Two lanes beside each other, about as long as one another. */
const lanes: readonly (readonly Check[])[] = [
  [
    { name: 'formatting', run: () => node('prettier/bin/prettier.cjs', ['--check', '.', '--log-level', 'warn']) },
    { name: 'types of the core', run: () => node('typescript/bin/tsc', ['--noEmit', '-p', 'src/core/tsconfig.json']) },
    { name: 'lint', run: () => node('eslint/bin/eslint.js', ['.', '--max-warnings', '0']) },
  ],
  [
    {
      name: 'layers',
      run: () =>
        node('dependency-cruiser/bin/dependency-cruise.mjs', ['src', 'scripts', '--config', '.dependency-cruiser.cjs']),
    },
    { name: 'types', run: () => node('typescript/bin/tsc', ['--noEmit']) },
    { name: 'build', run: () => buildApplication().then(() => 0) },
  ],
];

/** Everything: checks, unit tests, tests on a MariaDB of their own, and end-to-end tests in Chromium. */
export async function test(): Promise<void> {
  await needPackage('mariadb-server');
  await needPackage('chromium-headless-shell');
  const home = openHome(join(projectRoot, '.plucky', 'test'));
  process.env.PLUCKY_HOME = home.root;
  process.env.NEXT_TELEMETRY_DISABLED = '1';
  const tally: Tally = { passed: 0, failed: 0 };
  const server = await startDatabase(home, { isDurable: false, outlives: true });
  try {
    await Promise.all(
      lanes.map(async (lane) => {
        for (const { name, run } of lane) await check(tally, name, run);
      }),
    );
    await jest(tally, 'unit', ['--maxWorkers=2']);
    // Each file has a database of its own.
    await jest(tally, 'db', ['--maxWorkers=2']);
    await endToEnd(tally, home);
  } finally {
    if (server.child) await stopDatabase(home, server.child);
  }
  say(`\n${tally.passed} passed, ${tally.failed} failed`);
  if (tally.failed > 0) throw new Trouble('Something failed.', 'The first failure above says what and where.');
}

async function check(tally: Tally, name: string, run: () => Promise<number>): Promise<void> {
  say(`\n— ${name}`);
  if ((await run()) === 0) tally.passed += 1;
  else tally.failed += 1;
}

/** Runs one project of Jest and adds up its tests; a run that tested nothing counts as failed. */
async function jest(
  tally: Tally,
  project: string,
  args: readonly string[] = [],
  env: Readonly<Record<string, string>> = {},
): Promise<void> {
  say(`\n— ${project} tests`);
  const folder = mkdtempSync(join(tmpdir(), 'plucky-jest-'));
  const outputFile = join(folder, 'result.json');
  try {
    const code = await node(
      'jest/bin/jest.js',
      ['--selectProjects', project, '--json', `--outputFile=${outputFile}`, '--silent=false', ...args],
      env,
    );
    const result = existsSync(outputFile)
      ? (JSON.parse(readFileSync(outputFile, 'utf8')) as {
          numPassedTests: number;
          numFailedTests: number;
          numFailedTestSuites: number;
        })
      : { numPassedTests: 0, numFailedTests: 0, numFailedTestSuites: 1 };
    tally.passed += result.numPassedTests;
    const failed = Math.max(result.numFailedTests, result.numFailedTestSuites);
    tally.failed += failed === 0 && (code !== 0 || result.numPassedTests === 0) ? 1 : failed;
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** Files that run beside the rest, on a demo of their own: about half of the time, and away from the sixty units. */
const beside = [
  'pseudo',
  'models',
  'screens',
  'planner',
  'deviation',
  'bench',
  'keyboardPath',
  'threeModels',
  'keptPages',
  'ownShop',
  'outside',
  'severalServers',
  'instruments',
  // In one lane with the other that works on the own shop.
  'commands',
  'sizes',
];
/** Files that take the database server away: alone. */
const alone = ['outage'];
const secondDemo = 'plucky_demo_2';

/** Fresh demos on a production build, for the tests in the browser: two lanes, then what needs the server for itself. */
async function endToEnd(tally: Tally, home: Home): Promise<void> {
  say('\nLoading the demo workshop for the browser …');
  await dropShop(home, 'own');
  const demos = ['plucky_demo', secondDemo];
  for (const name of demos) await dropDatabase(home, name);
  for (const name of demos) await demoCopy(home, name);
  // One process each: two lanes fill the machine. A shop of its own (commands, ownShop) runs in as many as it would.
  const first = await startApplication(home, 'plucky_demo', { workers: 1 });
  const second = await startApplication(home, secondDemo, { workers: 1 });
  const files = readdirSync(join(projectRoot, 'tests', 'e2e')).map((file) => file.replace('.test.ts', ''));
  const rest = files.filter((file) => !beside.includes(file) && !alone.includes(file));
  const runFiles = (names: readonly string[], url: string) =>
    jest(tally, 'e2e', ['--runInBand', '--testPathPatterns', `e2e/(${names.join('|')})\\.test`], {
      PLUCKY_TEST_URL: url,
    });
  try {
    await Promise.all([runFiles(rest, first.url), runFiles(beside, second.url)]);
    await runFiles(alone, first.url);
  } finally {
    await endChild(first.child);
    await endChild(second.child);
  }
}
