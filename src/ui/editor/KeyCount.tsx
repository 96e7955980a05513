'use client';
import { useEffect, useState } from 'react';
import * as words from '@/words/catalogue/editor';

/** How many keys were pressed since the editor was opened: what writing a model costs. */
export function KeyCount() {
  const [count, setCount] = useState(0);
  useEffect(() => {
    const onKey = () => setCount((before) => before + 1);
    window.addEventListener('keydown', onKey, true);
    return () => window.removeEventListener('keydown', onKey, true);
  }, []);
  return <span data-pressed={count}>{words.keyPressed({ count })}</span>;
}
