import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { basename, join } from 'node:path';
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
    add(tally, await jest('unit', ['--maxWorkers=2']));
    // Each file has a database of its own.
    add(tally, await jest('db', ['--maxWorkers=2']));
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

function add(tally: Tally, { passed, failed }: Tally): void {
  tally.passed += passed;
  tally.failed += failed;
}

interface Ran extends Tally {
  /** The files in which something failed, by name alone (`prices`). */
  readonly failedFiles: readonly string[];
}

interface JestResult {
  readonly numPassedTests: number;
  readonly numFailedTests: number;
  readonly numFailedTestSuites: number;
  readonly testResults: readonly { readonly name: string; readonly status: string }[];
}

const nothingRan: JestResult = { numPassedTests: 0, numFailedTests: 0, numFailedTestSuites: 1, testResults: [] };

/** Runs one project of Jest; a run that tested nothing counts as failed. */
async function jest(
  project: string,
  args: readonly string[] = [],
  env: Readonly<Record<string, string>> = {},
): Promise<Ran> {
  say(`\n— ${project} tests`);
  const folder = mkdtempSync(join(tmpdir(), 'plucky-jest-'));
  const outputFile = join(folder, 'result.json');
  try {
    const code = await node(
      'jest/bin/jest.js',
      ['--selectProjects', project, '--json', `--outputFile=${outputFile}`, '--silent=false', ...args],
      env,
    );
    const result = existsSync(outputFile) ? (JSON.parse(readFileSync(outputFile, 'utf8')) as JestResult) : nothingRan;
    const failed = Math.max(result.numFailedTests, result.numFailedTestSuites);
    return {
      passed: result.numPassedTests,
      failed: failed === 0 && (code !== 0 || result.numPassedTests === 0) ? 1 : failed,
      failedFiles: result.testResults
        .filter(({ status }) => status === 'failed')
        .map(({ name }) => basename(name, '.test.ts')),
    };
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** Files that run beside the rest, on a demo of their own: about half of the time, and away from the sixty units. */
const beside = [
  'pseudo',
  'matchPlan',
  'shelf',
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
  // In one lane with the other that works on the own shop, and with the one that reads the log it writes into.
  'commands',
  'watched',
  'sizes',
];
/** Files that take the database server away: alone. */
const alone = ['outage'];

const e2e = (files: readonly string[], url: string) =>
  jest('e2e', ['--runInBand', '--testPathPatterns', `e2e/(${files.join('|')})\\.test`], { PLUCKY_TEST_URL: url });

/** Does something with a fresh demo, served by one process. */
async function withDemo<T>(home: Home, name: string, work: (url: string) => Promise<T>): Promise<T> {
  await dropDatabase(home, name);
  await demoCopy(home, name);
  // Two lanes fill the machine. A shop of its own (commands, ownShop) runs in as many processes as it would.
  const { child, url } = await startApplication(home, name, { workers: 1 });
  try {
    return await work(url);
  } finally {
    await endChild(child);
  }
}

/** Tests in the browser on a production build: two lanes, what needs the server for itself, and a second look at what failed. */
async function endToEnd(tally: Tally, home: Home): Promise<void> {
  say('\nLoading the demo workshop for the browser …');
  await dropShop(home, 'own');
  const files = readdirSync(join(projectRoot, 'tests', 'e2e')).map((file) => file.replace('.test.ts', ''));
  const rest = files.filter((file) => !beside.includes(file) && !alone.includes(file));
  const lanesRan = await Promise.all([
    withDemo(home, 'plucky_demo', (url) => e2e(rest, url)),
    withDemo(home, 'plucky_demo_2', (url) => e2e(beside, url)),
  ]);
  const aloneRan = await withDemo(home, 'plucky_demo', (url) => e2e(alone, url));
  for (const ran of [...lanesRan, aloneRan]) await addSeenTwice(tally, home, ran);
}

/**
 * A machine that two lanes keep busy can be late for a browser. What failed is run once more, by itself and on a
 * fresh demo: what fails there too is wrong, and what passes is named, for a race can hide in it.
 */
async function addSeenTwice(tally: Tally, home: Home, ran: Ran): Promise<void> {
  if (ran.failedFiles.length === 0 || ran.failedFiles.length > 4) return add(tally, ran);
  say(`\nFailed, run again alone: ${ran.failedFiles.join(', ')}`);
  const again = await withDemo(home, 'plucky_demo_3', (url) => e2e(ran.failedFiles, url));
  if (again.failed === 0) say(`\nFailed in its lane and passed alone: ${ran.failedFiles.join(', ')}`);
  add(tally, { passed: ran.passed + Math.max(0, ran.failed - again.failed), failed: again.failed });
}
