'use client';
import { useEffect } from 'react';
import { Trouble } from '@/ui/base/Trouble';

/** A fault while a page was read. What was entered is in the browser's queue and goes on from there. */
export default function WorkError({
  error,
  reset,
}: {
  readonly error: Error & { digest?: string };
  readonly reset: () => void;
}) {
  useEffect(() => {
    const timer = setInterval(reset, 3000);
    return () => clearInterval(timer);
  }, [reset]);
  return <Trouble code={error.digest} retry={reset} />;
}
