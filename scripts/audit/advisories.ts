import { satisfies } from 'semver';
import type { LockedPackage } from './lockfile';

/** A known fault of a package that is installed. */
export interface Finding {
  readonly name: string;
  readonly version: string;
  readonly severity: string;
  readonly title: string;
  readonly where: string;
}

/** The part that is read here of an advisory in the open OSV format (version 1). */
export interface OsvAdvisory {
  readonly id: string;
  readonly summary?: string;
  readonly affected?: readonly {
    readonly package?: { readonly ecosystem?: string; readonly name?: string };
    readonly versions?: readonly string[];
    readonly ranges?: readonly { readonly type?: string; readonly events?: readonly OsvEvent[] }[];
  }[];
  readonly database_specific?: { readonly severity?: string };
  readonly withdrawn?: string;
}
type OsvEvent = { readonly introduced?: string; readonly fixed?: string; readonly last_affected?: string };

/** Holds installed packages against advisories. */
export function meetAdvisories(
  packages: readonly LockedPackage[],
  advisories: readonly OsvAdvisory[],
): readonly Finding[] {
  return advisories
    .filter(({ withdrawn }) => withdrawn === undefined)
    .flatMap(({ id, summary, affected, database_specific: specific }) =>
      (affected ?? []).flatMap((one) =>
        packages
          .filter(
            ({ name, version }) => one.package?.ecosystem === 'npm' && one.package.name === name && isHit(one, version),
          )
          .map(({ name, version }) => ({
            name,
            version,
            severity: (specific?.severity ?? 'unknown').toLowerCase(),
            title: summary ?? id,
            where: id,
          })),
      ),
    );
}

function isHit({ versions, ranges }: NonNullable<OsvAdvisory['affected']>[number], version: string): boolean {
  if (versions?.includes(version)) return true;
  return (ranges ?? []).some(
    ({ type, events }) =>
      type === 'SEMVER' &&
      rangesOf(events ?? []).some((range) => satisfies(version, range, { includePrerelease: true })),
  );
}

/** Stretches of versions: each begins where a fault came in, and ends where it was mended or was last seen. */
function rangesOf(events: readonly OsvEvent[]): readonly string[] {
  const ranges: string[] = [];
  let from: string | null = null;
  for (const { introduced, fixed, last_affected: last } of events) {
    if (introduced !== undefined) from = introduced === '0' ? '0.0.0-0' : introduced;
    if (from !== null && (fixed !== undefined || last !== undefined)) {
      ranges.push(fixed !== undefined ? `>=${from} <${fixed}` : `>=${from} <=${last}`);
      from = null;
    }
  }
  return from === null ? ranges : [...ranges, `>=${from}`];
}

interface RegistryReport {
  readonly vulnerabilities?: Readonly<
    Record<
      string,
      {
        readonly severity: string;
        readonly via: readonly (string | { readonly title: string; readonly url: string })[];
      }
    >
  >;
}

/**
 * What the registry says of the installed packages.
 *
 * @param report  what `npm audit --json` printed
 * @returns null when it is no report: the registry does not answer, or answers no such question
 */
export function readRegistryReport(report: string, packages: readonly LockedPackage[]): readonly Finding[] | null {
  let given: RegistryReport;
  try {
    given = JSON.parse(report) as RegistryReport;
  } catch {
    return null;
  }
  if (!given.vulnerabilities) return null;
  return Object.entries(given.vulnerabilities).flatMap(([name, { severity, via }]) =>
    via.flatMap((fault) =>
      typeof fault === 'string'
        ? []
        : [
            {
              name,
              version: packages.find((one) => one.name === name)?.version ?? '',
              severity,
              title: fault.title,
              where: fault.url,
            },
          ],
    ),
  );
}
