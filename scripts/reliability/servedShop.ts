import { spawn, type ChildProcess } from 'node:child_process';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { projectRoot, type Home } from '../support/home';
import { hasEnded, run, type Ran } from '../support/processes';

/** A shop of a home of its own, served by the very commands that people type. */
export class ServedShop {
  private child: ChildProcess | undefined;
  private said = '';

  constructor(
    readonly home: Home,
    private readonly port: number,
  ) {}

  private env(): NodeJS.ProcessEnv {
    return {
      ...process.env,
      PLUCKY_HOME: this.home.root,
      PLUCKY_PORT: String(this.port),
      PLUCKY_WORKERS: '2',
      PLUCKY_HOST: '127.0.0.1',
    };
  }

  /** Begins to serve and does not wait. */
  begin(): void {
    this.said = '';
    this.child = this.spawn('start');
    for (const stream of [this.child.stdout, this.child.stderr])
      stream?.on('data', (chunk) => (this.said += String(chunk)));
  }

  spawn(...args: readonly string[]): ChildProcess {
    return spawn(process.execPath, ['--import', 'tsx', 'scripts/plucky.ts', ...args], {
      cwd: projectRoot,
      env: this.env(),
    });
  }

  command(...args: readonly string[]): Promise<Ran> {
    return run(process.execPath, ['--import', 'tsx', 'scripts/plucky.ts', ...args], {
      cwd: projectRoot,
      env: this.env(),
    });
  }

  get url(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  get firstPin(): string | undefined {
    return /PIN (\d{6})/.exec(this.said)?.[1];
  }

  /** @throws Error when nobody can work within two minutes */
  async untilReady(): Promise<void> {
    for (let waited = 0; waited < 120_000; waited += 100) {
      // What one that was killed left behind may answer a moment longer.
      const isOurs = this.said.includes(`Plucky Parcel is at ${this.url}`);
      const answer = isOurs && (await this.ask());
      if (answer && answer.ok) return;
      await sleep(100);
    }
    const log = await readFile(join(this.home.logDir, 'application.log'), 'utf8').catch(() => '');
    throw new Error(
      `untilReady: nobody can work; the supervisor said “${this.said}”, the application ${log.slice(-2000)}`,
    );
  }

  /** A line that was handed to a process which is killed that very moment hears nothing more: browsers ask again, too. */
  private ask(): Promise<Response | undefined> {
    return fetch(`${this.url}/api/ready`, { signal: AbortSignal.timeout(5_000) }).catch(() => undefined);
  }

  async stop(): Promise<void> {
    await this.command('stop');
    if (this.child) await hasEnded(this.child);
  }

  /** Kills without a word; what it kept up goes with it, which takes a moment. */
  async killSupervisor(): Promise<void> {
    this.child?.kill('SIGKILL');
    if (this.child) await hasEnded(this.child);
  }

  /** Kills a process below the supervisor by what it was called with. @returns false when there is none now */
  async kill(program: string, isGrandchild = false): Promise<boolean> {
    const own = await this.below(this.child?.pid, isGrandchild ? 'workers.cjs' : program);
    const pid = isGrandchild ? await this.below(own, program) : own;
    if (!pid) return false;
    try {
      process.kill(pid, 'SIGKILL');
      return true;
    } catch {
      return false;
    }
  }

  private async below(pid: number | undefined, program: string): Promise<number | undefined> {
    if (!pid) return undefined;
    const { stdout } = await run('ps', ['-o', 'pid=,args=', '--ppid', String(pid)]);
    const line = stdout.split('\n').find((each) => each.includes(program));
    return line ? Number(line.trim().split(' ')[0]) : undefined;
  }
}
