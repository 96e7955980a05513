'use client';
import { useEffect, useState } from 'react';
import type { Refusal } from '@/core/shared/outcome';
import type { WithoutIt } from '@/workers/match/matchJobs';
import { send } from '@/ui/server/send';
import type { PlanView } from './usePlan';

/** A choice that is forbidden, or another that is made instead, as the server takes it. */
export interface WithoutAsked {
  readonly tag: string;
  readonly fate: string;
  readonly grade?: string;
  readonly slot?: string;
  readonly from?: string;
  readonly instead?: string;
}

export interface Asked {
  readonly of: string;
  readonly value: WithoutIt | null;
  readonly refusal: Refusal | null;
}

/** What a plan without a choice loses, asked once the hand rests on it; null while it is not known, or where nothing is asked. */
export function useWithout({ at, problem, cents }: PlanView, choice: WithoutAsked | null): Asked | null {
  const [asked, setAsked] = useState<Asked | null>(null);
  const said = choice === null ? null : JSON.stringify(choice);
  const of = `${at} ${said}`;
  useEffect(() => {
    if (said === null) return undefined;
    const calledOff = new AbortController();
    const timer = setTimeout(() => {
      const body = { problem, cents, ...(JSON.parse(said) as WithoutAsked) };
      void send<WithoutIt>('POST', '/api/match-plan/without', body, calledOff.signal).then((outcome) => {
        if (calledOff.signal.aborted) return;
        setAsked({ of, value: outcome.ok ? outcome.value : null, refusal: outcome.ok ? null : outcome.refusal });
      });
    }, 250);
    return () => {
      clearTimeout(timer);
      calledOff.abort();
    };
  }, [of, said, problem, cents]);
  return said !== null && asked?.of === of ? asked : null;
}
