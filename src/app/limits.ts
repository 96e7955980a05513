import type { routeRights } from './rights';
import { refuse, type Outcome } from '@/core/shared/outcome';
import type { Reason } from '@/core/shared/reasons';
import { mostLogBytes } from '@/files/readBatteryLog';
import { mostPictureBytes } from '@/files/pictureLimits';
import { mostBytes as mostTableBytes } from '@/files/readTable';

type Route = keyof typeof routeRights;

interface Limit {
  readonly most: number;
  readonly reason: Reason;
}

const mb = 1_000_000;
const usual: Limit = { most: mb, reason: 'too-large' };
const table: Limit = { most: mostTableBytes + 10_000, reason: 'file-too-large' };
const model: Limit = { most: 2 * mb, reason: 'file-too-large' };

/** Routes that take more than is usual: documents, pictures, and what benches kept while the server was away. */
const larger: Partial<Readonly<Record<Route, Limit>>> = {
  'POST /api/battery-logs': { most: mostLogBytes, reason: 'file-too-large' },
  'POST /api/facts': { ...usual, most: 16 * mb },
  'POST /api/drafts': { ...usual, most: 5 * mb },
  'PUT /api/drafts/[id]': { ...usual, most: 5 * mb },
  'POST /api/match-plan/without': { ...usual, most: 12 * mb },
  'POST /api/match-plan/more': { ...usual, most: 12 * mb },
  'POST /api/lost-serials': { ...usual, most: 2 * mb },
  'POST /api/manifest/import': table,
  'POST /api/manifest/preview': table,
  'POST /api/models/import': model,
  'POST /api/models/preview': model,
  'PUT /api/units/[id]/photos/[photo]': { most: mostPictureBytes, reason: 'picture-too-large' },
};

/** Refuses what is too long for a route before any of it is read. @param length  what its content-length says */
export function refuseLength(route: Route, length: number): Outcome<never> | null {
  const { most, reason } = larger[route] ?? usual;
  return length <= most ? null : refuse(reason, { most: `${Math.floor(most / mb)} MB` });
}
