import { projectRoot } from '../../scripts/support/home';
import { run, type Ran } from '../../scripts/support/processes';
import { testHome } from './scratch';

/** Runs a command of the README on the tests' own home. */
export const plucky = (...args: readonly string[]): Promise<Ran> =>
  run(process.execPath, ['--import', 'tsx', 'scripts/plucky.ts', ...args], {
    cwd: projectRoot,
    env: { ...process.env, PLUCKY_HOME: testHome().root },
  });
