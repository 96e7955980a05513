'use client';
import { useMemo, useState } from 'react';
import type { Unit } from '@/core/entities/entities';
import { withFindings } from '@/core/findings/mark';
import { scrapBy } from '@/core/findings/partHarm';
import { neededParts } from '@/core/sale/slots';
import type { Model } from '@/core/procedure/model';
import type { Situation } from '@/core/procedure/situation';
import { knowledgeOf } from '@/core/teardown/plan/knowledgeOf';
import type { PlanAim, PlanRequest } from '@/core/teardown/plan/teardownPlan';
import type { PlannerView } from '@/services/plans/readPlanner';
import { useHouseRules } from '@/ui/rules/RulesProvider';

/** What is asked of the planner: the state of the device, what it is for, and prices that somebody tries out. */
export function usePlanRequest({ model, ground, donors, unit }: PlannerView) {
  const rules = useHouseRules();
  const [situation, setSituation] = useState<Situation>(() => situationOf(model, unit));
  const [aim, setAim] = useState<PlanAim>({ kind: 'pays' });
  const [prices, setPrices] = useState<Readonly<Record<string, number>>>({});
  const request = useMemo<PlanRequest>(() => {
    const faulty = unit ? neededParts(model, unit).map(({ id }) => id) : [];
    const found = withFindings({ marks: unit?.marks ?? [] }, situation.findings);
    return {
      ...situation,
      aim,
      parts: knowledgeOf(model, situation.configuration, ground, rules, found).map((known) => ({
        ...known,
        soundCents: prices[known.part] ?? known.soundCents,
      })),
      scrap: [...new Set([...scrapBy(model, found), ...faulty])],
      resistances: ground.resistances,
      units: Math.max(1, donors.length),
    };
  }, [model, ground, unit, donors.length, situation, aim, prices, rules]);
  // From the state as it is then: two keys can come before the next frame.
  const pick = (part: string) =>
    setAim((before) => {
      const parts = before.kind === 'parts' ? before.parts : [];
      return {
        kind: 'parts',
        parts: parts.includes(part) ? parts.filter((other) => other !== part) : [...parts, part],
      };
    });
  const price = (part: string, soundCents: number | null) =>
    setPrices(({ [part]: _, ...others }) => (soundCents === null ? others : { ...others, [part]: soundCents }));
  return { request, situation, setSituation, aim, setAim, pick, price, forgetPrices: () => setPrices({}) };
}

function situationOf(model: Model, unit: Unit | null): Situation {
  return {
    revision: unit?.revision ?? model.revisions[0]?.id ?? null,
    configuration: unit?.configuration ?? model.configurations[0]?.id ?? null,
    findings: unit ? [...new Set(unit.marks.map(({ kind }) => kind))] : [],
  };
}
