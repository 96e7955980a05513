'use client';
import createCache from '@emotion/cache';
import { CacheProvider } from '@emotion/react';
import { useServerInsertedHTML } from 'next/navigation';
import { useState, type ReactNode } from 'react';

/** Hands the styles that were made while rendering on the server to the page, with the nonce of its policy. */
export function StyleRegistry({
  nonce,
  children,
}: {
  readonly nonce: string | undefined;
  readonly children: ReactNode;
}) {
  const [{ cache, flush }] = useState(() => {
    const made = createCache({ key: 'css', nonce });
    made.compat = true;
    const insert = made.insert;
    let inserted: { name: string; isGlobal: boolean }[] = [];
    made.insert = (...args) => {
      const [selector, serialized] = args;
      if (made.inserted[serialized.name] === undefined) inserted.push({ name: serialized.name, isGlobal: !selector });
      return insert(...args);
    };
    const take = () => {
      const taken = inserted;
      inserted = [];
      return taken;
    };
    return { cache: made, flush: take };
  });

  useServerInsertedHTML(() => {
    const taken = flush();
    if (taken.length === 0) return null;
    const scoped = taken.filter(({ isGlobal }) => !isGlobal).map(({ name }) => name);
    const css = (name: string) => (typeof cache.inserted[name] === 'string' ? cache.inserted[name] : '');
    return (
      <>
        {taken
          .filter(({ isGlobal }) => isGlobal)
          .map(({ name }) => (
            <style
              key={name}
              nonce={nonce}
              data-emotion={`${cache.key}-global ${name}`}
              dangerouslySetInnerHTML={{ __html: css(name) }}
            />
          ))}
        {scoped.length > 0 && (
          <style
            nonce={nonce}
            data-emotion={`${cache.key} ${scoped.join(' ')}`}
            dangerouslySetInnerHTML={{ __html: scoped.map(css).join('') }}
          />
        )}
      </>
    );
  });
  return <CacheProvider value={cache}>{children}</CacheProvider>;
}
