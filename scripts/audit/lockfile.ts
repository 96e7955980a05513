import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

/** A package as the lock file has it. */
export interface LockedPackage {
  readonly name: string;
  readonly version: string;
  readonly licence: string | null;
  /** Only needed to build and to test. */
  readonly isForDevelopment: boolean;
}

interface Entry {
  readonly version?: string;
  readonly license?: string;
  readonly dev?: boolean;
  readonly name?: string;
}

/** Every package that an installation of a project brings. @param root  folder of package-lock.json */
export function lockedPackages(root: string): readonly LockedPackage[] {
  const { packages } = JSON.parse(readFileSync(join(root, 'package-lock.json'), 'utf8')) as {
    packages: Readonly<Record<string, Entry>>;
  };
  return Object.entries(packages).flatMap(([path, { version, license, dev, name }]) =>
    path === '' || version === undefined
      ? []
      : [
          {
            name: name ?? path.slice(path.lastIndexOf('node_modules/') + 'node_modules/'.length),
            version,
            licence: license ?? licenceInside(join(root, path)),
            isForDevelopment: dev === true,
          },
        ],
  );
}

function licenceInside(folder: string): string | null {
  const file = join(folder, 'package.json');
  if (!existsSync(file)) return null;
  const { license } = JSON.parse(readFileSync(file, 'utf8')) as { license?: unknown };
  return typeof license === 'string' ? license : null;
}
