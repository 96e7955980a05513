'use client';
import type { Refusal } from '@/core/shared/outcome';
import { Caution } from './Caution';
import { Refused } from './Refused';

/** What was refused, read out as soon as it is; nothing while nothing is. */
export function RefusalAlert({ refusal, what = '' }: { readonly refusal: Refusal | null; readonly what?: string }) {
  return (
    <div role="alert">
      {refusal && (
        <Caution what={what}>
          <Refused refusal={refusal} />
        </Caution>
      )}
    </div>
  );
}
