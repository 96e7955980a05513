/** What the patience needs of the page, so that it can be tested without one. */
export interface PatienceDoors {
  readonly fetch: typeof fetch;
  /** The address that is shown. */
  readonly here: () => string;
  readonly wait: (ms: number) => Promise<void>;
  /** Whether the refresh is asked for because of what others did. */
  readonly follows: () => boolean;
}

/** By this the server tells such a refresh from one that somebody waits for. */
const followsHeader = 'plucky-follows';

const waitsMs = [500, 1000, 2000, 4000, 8000] as const;
/** A page that faults as often as that does so by itself, and may say so. */
const mostFaults = 20;

/**
 * A `fetch` by which the router refreshes the page that is shown only when the server gives all of it. The router takes a
 * refresh that failed for a reason to load the page anew, and one that broke off for a page that cannot be shown: either
 * takes the sheet out of the hands of whoever works on it. Everything else is fetched as ever.
 */
export function patientRefresh({ fetch: fetchNow, here, wait, follows }: PatienceDoors): typeof fetch {
  return async (input, init) => {
    if (!isRefreshOf(here(), input, init)) return fetchNow(input, init);
    const shown = here();
    const asked = follows() ? withHeader(init, followsHeader) : init;
    let faults = 0;
    for (let tries = 0; ; tries += 1) {
      const response = await fetchNow(input, asked).catch((error: unknown) => {
        if (isOver(init)) throw error;
        return null;
      });
      const state = response ? await stateOf(response) : 'gone';
      if (response && (state === 'whole' || here() !== shown)) return response;
      if (here() !== shown) throw new TypeError('patientRefresh: another page is shown by now');
      if (response && state === 'faulty' && ++faults >= mostFaults) return response;
      await wait(waitsMs[Math.min(tries, waitsMs.length - 1)] ?? 0);
    }
  };
}

function withHeader(init: RequestInit | undefined, name: string): RequestInit {
  const headers = new Headers(init?.headers);
  headers.set(name, '1');
  return { ...init, headers };
}

const isOver = (init: RequestInit | undefined): boolean => init?.signal?.aborted ?? false;

/** Whether the router asks for the address that is shown, with what the server has of it now. */
function isRefreshOf(shown: string, input: RequestInfo | URL, init: RequestInit | undefined): boolean {
  const headers = new Headers(init?.headers);
  if (headers.get('rsc') !== '1' || headers.has('next-router-prefetch')) return false;
  const asked = new URL(input instanceof Request ? input.url : input, shown);
  const now = new URL(shown);
  asked.searchParams.delete('_rsc');
  now.searchParams.delete('_rsc');
  return asked.origin === now.origin && asked.pathname === now.pathname && asked.search === now.search;
}

/** A line of the answer that stands for a fault, and not for a redirection or a page that is not there. */
const fault = /^[0-9a-f]+:E\{"digest":"(?!NEXT_)/m;

async function stateOf(response: Response): Promise<'whole' | 'gone' | 'faulty'> {
  if (response.status >= 500) return 'gone';
  // Read beside the router, to the end: an answer may break off in the middle.
  const text = await response
    .clone()
    .text()
    .catch(() => null);
  if (text === null) return 'gone';
  return fault.test(text) ? 'faulty' : 'whole';
}
