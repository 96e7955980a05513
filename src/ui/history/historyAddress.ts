import type { HistoryQuery } from '@/core/shop/historyQuery';

/** The query as it stands in an address; what is not asked is left out. */
export function historyAddress(query: HistoryQuery): string {
  const given = Object.entries(query).flatMap(([name, value]) =>
    value === undefined || value === '' ? [] : [[name === 'personId' ? 'person' : name, String(value)]],
  );
  return new URLSearchParams(given).toString();
}
