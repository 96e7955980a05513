/** The caches in which public/sw.js keeps pages, one for each build. */
const pagesNames = 'plucky-pages-';

/** Which build this script is of: the browser keeps each one's files apart. */
const build = process.env.NEXT_PUBLIC_PLUCKY_BUILD ?? 'unnamed';

/** A service worker needs a secure page; over plain HTTP in a workshop's network a reload needs the server. */
const canKeep = () => 'serviceWorker' in navigator && process.env.NODE_ENV === 'production';

/** Has this page kept in the browser, with the files it uses, so that it can be loaded while the server is gone. */
export async function keepThisPage(): Promise<void> {
  if (!canKeep()) return;
  await navigator.serviceWorker.register(`/sw.js?build=${build}`);
  const { active } = await navigator.serviceWorker.ready;
  const files = performance
    .getEntriesByType('resource')
    .map(({ name }) => new URL(name).pathname)
    .filter((path) => path.startsWith('/_next/static/'));
  active?.postMessage({ keep: location.pathname, files: [...new Set(files)] });
}

/** When this page was kept, if it was loaded from the browser because the server did not answer. */
export function pageKeptAt(): string | null {
  const [navigation] = performance.getEntriesByType('navigation') as PerformanceNavigationTiming[];
  return navigation?.serverTiming?.find(({ name }) => name === 'kept')?.description ?? null;
}

/** Nobody reads what was kept for the person before. */
export const forgetPages = async (): Promise<void> => {
  if (!('caches' in globalThis)) return;
  for (const name of await caches.keys()) if (name.startsWith(pagesNames)) await caches.delete(name);
};
