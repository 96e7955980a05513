/** What a unit file is made of. */
export interface UnitWants {
  readonly description: string;
  /** The checkout. */
  readonly folder: string;
  /** Where its data lies. */
  readonly home: string;
  /** Node.js. */
  readonly node: string;
  /** Who it runs as; null for a unit of one's own. */
  readonly user: string | null;
  /** Settings that this shop was started with. */
  readonly settings: Readonly<Record<string, string>>;
}

/** In a unit file a percent sign begins a specifier, and spaces end a word. */
const quoted = (text: string): string =>
  `"${text.replaceAll('\\', '\\\\').replaceAll('"', '\\"').replaceAll('%', '%%')}"`;

/**
 * A unit for the system's service manager: begun at boot, begun again when it ends by itself, told to end in good order.
 */
export function unitFile({ description, folder, home, node, user, settings }: UnitWants): string {
  const lines = [
    '[Unit]',
    `Description=${description}`,
    'After=network.target',
    '',
    '[Service]',
    'Type=exec',
    `WorkingDirectory=${folder.replaceAll('%', '%%')}`,
    `ExecStart=${quoted(node)} --import tsx scripts/plucky.ts start`,
    `Environment=${quoted(`PLUCKY_HOME=${home}`)}`,
    ...Object.entries(settings).map(([name, value]) => `Environment=${quoted(`${name}=${value}`)}`),
    ...(user === null ? [] : [`User=${user}`]),
    // The one that is started ends the others in order; after a while whoever is left is killed.
    'KillMode=mixed',
    'TimeoutStopSec=60',
    // The first start builds, and makes the database.
    'TimeoutStartSec=600',
    'Restart=on-failure',
    'RestartSec=5',
    'NoNewPrivileges=yes',
    'UMask=0077',
    '',
    '[Install]',
    `WantedBy=${user === null ? 'default.target' : 'multi-user.target'}`,
  ];
  return `${lines.join('\n')}\n`;
}
