'use client';
import { Box } from '@chakra-ui/react';
import dynamic from 'next/dynamic';
import { useMemo } from 'react';
import type { Unit } from '@/core/entities/entities';
import { sheetKindAt } from '@/core/sheet/sheetSteps';
import { modelBySchools } from '@/core/schools/modelBySchools';
import type { Person } from '@/core/people/roles';
import type { BenchView } from '@/services/bench/readBench';
import type { Meanwhile } from '@/services/bench/readMeanwhile';
import { late, useLate } from '@/ui/base/late';
import { useShop } from '@/ui/facts/ShopProvider';
import { RunSheetView } from '../RunSheetView';
import { useHouseRules } from '@/ui/rules/RulesProvider';
import * as words from '@/words/catalogue/bench';

/** The planner comes after the sheet that was served is drawn, and plans it from then on. */
const planner = late(async () => (await import('@/core/sheet/sheetOf')).sheetOf);

/** Before a sheet and after it: not loaded with one that is under way. */
const SheetFinished = dynamic(() => import('../SheetFinished').then((module) => module.SheetFinished));
const SheetSetUp = dynamic(() => import('./SheetSetUp').then((module) => module.SheetSetUp));

/** What do I do next, and where does this screw go? */
export function BenchScreen({
  view,
  meanwhile,
  person,
}: {
  readonly view: BenchView;
  readonly meanwhile: readonly Meanwhile[];
  readonly person: Person;
}) {
  const seeds = useMemo(() => ({ models: [view.model], units: [view.unit], parts: view.parts }), [view]);
  const shop = useShop(seeds);
  const unit: Unit = shop.units[0] ?? view.unit;
  const rules = useHouseRules();
  // A sheet keeps the ways it was begun by.
  const model = modelBySchools(view.model, unit.sheet && !unit.sheet.isClosed ? unit.sheet.rules : rules);
  const kind = sheetKindAt(unit.stage);
  const plan = useLate(planner);
  const isAsServed = unit.version === view.unit.version;
  const sheet = useMemo(() => {
    if (!unit.sheet) return null;
    if (plan) return plan(model, unit, unit.sheet);
    return isAsServed ? view.sheet : undefined;
  }, [plan, model, unit, view, isAsServed]);
  const { parts, ground, leads, timed, bits, unrehearsed, lacksCertificate } = view;
  const bench = {
    unit,
    model,
    shop,
    parts,
    person,
    ground,
    leads,
    timed,
    bits,
    unrehearsed,
    lacksCertificate,
    meanwhile,
  };

  // Newer than what was served, as after a reload without the server: what it is now is being planned.
  if (sheet === undefined) return <Box p="28px">{words.oneMoment()}</Box>;
  if (kind && unit.sheet && !unit.sheet.isClosed && sheet?.ok)
    return <RunSheetView {...bench} state={unit.sheet} sheet={sheet.value} />;
  if (kind) return <SheetSetUp {...bench} kind={kind} proposed={view.proposed} />;
  return <SheetFinished {...bench} />;
}
