import satisfies from 'spdx-satisfies';
import type { LockedPackage } from './lockfile';

/** What asks for no more than to name the authors, and to keep what is theirs theirs. */
const free = [
  'MIT',
  'MIT-0',
  'ISC',
  '0BSD',
  'BSD-2-Clause',
  'BSD-3-Clause',
  'BSL-1.0',
  'Apache-2.0',
  'BlueOak-1.0.0',
  'CC0-1.0',
  'CC-BY-3.0',
  'CC-BY-4.0',
  'OFL-1.1',
  'Unicode-DFS-2016',
  'Unlicense',
  'MPL-2.0',
];
/** Libraries of their own, loaded as they are: fine as long as nobody builds them into a program. */
const linked = ['LGPL-2.1-or-later', 'LGPL-3.0-or-later'];

/** What packages say in a text of theirs, and not where a program would read it. */
const lookedUp: Readonly<Record<string, string>> = { 'png-js@2.0.0': 'MIT' };

export interface LicenceReport {
  /** How many packages come by each licence. */
  readonly counts: Readonly<Record<string, number>>;
  /** Packages that say none, or one that has not been looked at. */
  readonly open: readonly LockedPackage[];
}

/** By which licences packages come, and which of them somebody has to look at. */
export function judgeLicences(packages: readonly LockedPackage[]): LicenceReport {
  const counts: Record<string, number> = {};
  for (const each of packages) counts[licenceOf(each) ?? 'none'] = (counts[licenceOf(each) ?? 'none'] ?? 0) + 1;
  return { counts, open: packages.filter((each) => !isAllowed(licenceOf(each))) };
}

const licenceOf = ({ name, version, licence }: LockedPackage): string | null =>
  licence ?? lookedUp[`${name}@${version}`] ?? null;

function isAllowed(licence: string | null): boolean {
  if (licence === null) return false;
  try {
    return satisfies(licence, [...free, ...linked]);
  } catch {
    // Not an expression that says a licence.
    return false;
  }
}
