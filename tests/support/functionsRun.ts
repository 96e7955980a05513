import { Session } from 'node:inspector/promises';

/** Notes which functions of which files run, from now on. */
export class FunctionsRun {
  private readonly session = new Session();

  async begin(): Promise<void> {
    this.session.connect();
    await this.session.post('Profiler.enable');
    await this.session.post('Profiler.startPreciseCoverage', { callCount: true, detailed: false });
  }

  /** Names of the functions that ran so far, by the path of their file. */
  async ran(): Promise<ReadonlyMap<string, ReadonlySet<string>>> {
    const { result } = await this.session.post('Profiler.takePreciseCoverage');
    const names = new Map<string, Set<string>>();
    for (const { url, functions } of result) {
      const path = url.replace('file://', '');
      const own = names.get(path) ?? new Set<string>();
      names.set(path, own);
      for (const { functionName, ranges } of functions) if ((ranges[0]?.count ?? 0) > 0) own.add(functionName);
    }
    return names;
  }

  async end(): Promise<void> {
    await this.session.post('Profiler.stopPreciseCoverage');
    this.session.disconnect();
  }
}
