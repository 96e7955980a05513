'use client';
import { useEffect, useRef, type ComponentProps } from 'react';
import { RowButton } from './Row';

/** A line of a long list: when it is chosen, by key or elsewhere, it comes into view. */
export function ListRow({ isChosen, ...row }: ComponentProps<typeof RowButton> & { readonly isChosen: boolean }) {
  const line = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    if (isChosen) void line.current?.scrollIntoView({ block: 'nearest' });
  }, [isChosen]);
  return <RowButton ref={line} press="yes" {...row} />;
}
