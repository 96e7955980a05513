import { existsSync, readFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { meetAdvisories, readRegistryReport, type Finding, type OsvAdvisory } from '../audit/advisories';
import { judgeLicences } from '../audit/licences';
import { lockedPackages, type LockedPackage } from '../audit/lockfile';
import { projectRoot } from '../support/home';
import { run } from '../support/processes';
import { say, Trouble } from '../support/say';

/** Advisories that came with this version, for machines that reach no registry. */
const shipped = join(projectRoot, 'data', 'advisories.json');
const longestMs = 60_000;

interface Asked {
  readonly findings: readonly Finding[];
  readonly source: string;
}

/**
 * Says which installed packages have known faults, asked of the registry or of a file of advisories, and by which licences all of
 * them come.
 *
 * @throws Trouble for a fault, a licence that nobody has looked at, or when nothing could be asked
 */
export async function audit([file]: readonly string[]): Promise<void> {
  const packages = lockedPackages(projectRoot);
  const licences = judgeLicences(packages);
  say(
    `${packages.length} packages, ${packages.filter(({ isForDevelopment }) => !isForDevelopment).length} of them served.`,
  );
  for (const [licence, count] of Object.entries(licences.counts).sort(([, one], [, other]) => other - one))
    say(`  ${String(count).padStart(4)}  ${licence}`);
  for (const { name, version, licence } of licences.open)
    say(`  Look at ${name} ${version}: ${licence ?? 'it names no licence'}.`);
  const asked = file ? fromFile(resolve(file), packages) : ((await fromRegistry(packages)) ?? fromShipped(packages));
  for (const { name, version, severity, title, where } of asked?.findings ?? [])
    say(`  ${severity}: ${name} ${version}: ${title} (${where})`);
  if (licences.open.length > 0)
    throw new Trouble(
      `${licences.open.length} packages come by a licence that nobody has looked at.`,
      'Look, then add it to scripts/audit/licences.ts, or do without the package.',
    );
  if (!asked)
    throw new Trouble(
      'Licences are fine. Whether packages have known faults could not be asked: the registry does not answer that, and no advisories came with this version.',
      'Run it where the registry answers, or give it a file of advisories in the OSV format: ./plucky audit FILE',
    );
  if (asked.findings.length > 0)
    throw new Trouble(
      `${asked.findings.length} known faults, by ${asked.source}.`,
      'Take the versions in which they are mended.',
    );
  say(`No known faults, by ${asked.source}.`);
}

async function fromRegistry(packages: readonly LockedPackage[]): Promise<Asked | null> {
  const { stdout } = await run('npm', ['audit', '--json', '--package-lock-only'], {
    cwd: projectRoot,
    timeout: longestMs,
  });
  const findings = readRegistryReport(stdout, packages);
  return findings && { findings, source: 'the registry' };
}

function fromFile(path: string, packages: readonly LockedPackage[]): Asked {
  if (!existsSync(path)) throw new Trouble(`There is no file ${path}.`, 'Name a file of advisories in the OSV format.');
  const advisories = readAdvisories(path);
  if (!advisories)
    throw new Trouble(`${path} is no list of advisories in the OSV format.`, 'It is a JSON list of them.');
  return { findings: meetAdvisories(packages, advisories), source: `${advisories.length} advisories of ${path}` };
}

/** An empty list is no answer: nothing was looked up. */
function fromShipped(packages: readonly LockedPackage[]): Asked | null {
  const advisories = existsSync(shipped) ? readAdvisories(shipped) : null;
  return advisories && advisories.length > 0
    ? { findings: meetAdvisories(packages, advisories), source: `the ${advisories.length} advisories of this version` }
    : null;
}

function readAdvisories(path: string): readonly OsvAdvisory[] | null {
  try {
    const given = JSON.parse(readFileSync(path, 'utf8')) as unknown;
    return Array.isArray(given) && given.every((one) => typeof (one as OsvAdvisory | null)?.id === 'string')
      ? (given as OsvAdvisory[])
      : null;
  } catch {
    return null;
  }
}
