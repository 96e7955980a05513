'use client';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import type { Unit } from '@/core/bench/entities';
import { scrapBy, slotNeeds } from '@/core/bench/slots';
import type { Face } from '@/core/procedure/faces';
import type { Model } from '@/core/procedure/model';
import type { Situation } from '@/core/procedure/situation';
import type { Finding } from '@/core/procedure/vocabulary';
import { startingHouseRules } from '@/core/shared/houseRules';
import { knowledgeOf } from '@/core/teardown/plan/knowledgeOf';
import type { PlanAim, PlanRequest } from '@/core/teardown/plan/teardownPlan';
import type { PlannerView } from '@/services/plans/readPlanner';
import { Caution } from '@/ui/base/Caution';
import { Headline } from '@/ui/base/Headline';
import { ScrollBox } from '@/ui/base/ScrollBox';
import { FaceDrawing } from '@/ui/drawing/FaceDrawing';
import { useShop } from '@/ui/facts/ShopProvider';
import { KeyButton } from '@/ui/keys/KeyButton';
import { sayList } from '@/ui/words/amounts';
import { findingNames } from '@/ui/words/names';
import { sayRefusal } from '@/ui/words/sentences';
import { CurveChart } from './CurveChart';
import { LayOut } from './LayOut';
import { Openings } from './Openings';
import { OperationLines } from './OperationLines';
import { PartLines } from './PartLines';
import { sayBatch, sayCorrection, sayDifference, sayFigures, sayOrder, sayPlan } from './planWords';
import { usePlan } from './usePlan';

/** How far does it pay, which parts, in which order: computed for a model, or for one unit that waits on its sheet. */
export function PlannerScreen({ view }: { readonly view: PlannerView }) {
  const { model, ground, donors, unit } = view;
  const router = useRouter();
  const seeds = useMemo(() => ({ models: [view.model], units: view.unit ? [view.unit] : view.donors }), [view]);
  const shop = useShop(seeds);
  const [situation, setSituation] = useState<Situation>(() => situationOf(model, unit));
  const [aim, setAim] = useState<PlanAim>({ kind: 'pays' });
  const [prices, setPrices] = useState<Readonly<Record<string, number>>>({});
  const [asksPrices, setAsksPrices] = useState(false);
  const [shows, setShows] = useState<'parts' | 'operations'>('parts');
  const request = useMemo<PlanRequest>(() => {
    const faulty = unit ? slotNeeds(model, unit).flatMap(({ part, isNeeded }) => (isNeeded ? [part.id] : [])) : [];
    return {
      ...situation,
      aim,
      parts: knowledgeOf(model, situation.configuration, ground, startingHouseRules).map((known) => ({
        ...known,
        soundCents: prices[known.part] ?? known.soundCents,
      })),
      scrap: [...new Set([...scrapBy(model, situation.findings), ...faulty])],
      units: Math.max(1, donors.length),
    };
  }, [model, ground, unit, donors.length, situation, aim, prices]);
  const { plan, difference, openability, refusal, isComputing, hasCrashed, again } = usePlan(model, request);
  const targets = plan?.lines
    .filter(({ verdict }) => verdict === 'free' || verdict === 'along')
    .map(({ part }) => part);
  const target = unit ?? donors[0];
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
  // Data first: the bench asks for the wipe before it starts a sheet.
  const mustWipe = target?.tests.starts === 'sound' && !target.isWiped;
  const makeSheet = () => {
    if (!target || !targets) return;
    if (mustWipe) return router.push(`/bench/${target.tag}`);
    const started = shop.act('sheet-started', target.id, {
      kind: 'teardown',
      targets,
      keeping: startingHouseRules.screwsIn,
    });
    if (started.ok) router.push(`/bench/${target.tag}`);
  };
  const correction = plan && sayCorrection(model, plan);
  return (
    <Box
      display="grid"
      gridTemplateColumns={{ base: '1fr', lg: '350px minmax(0, 1fr)' }}
      gridTemplateRows={{ lg: 'minmax(0, 1fr)' }}
      h={{ lg: 'calc(100vh - 84px)' }}
    >
      <ScrollBox label="The device" p="20px 24px" borderEndWidth="1px" borderColor="rule">
        <DeviceSide model={model} unit={unit} situation={situation} wanted={targets ?? []} onChange={setSituation} />
        {plan && <LayOut model={model} plan={plan} situation={situation} />}
        {openability && <Openings openability={openability} />}
      </ScrollBox>
      <Box p="20px 24px 12px" minW="0" display="grid" gridTemplateRows="auto minmax(0, 1fr) auto">
        <Box>
          <Headline lead={plan ? sayFigures(model, plan) : 'One moment.'}>
            {plan ? sayPlan(model, aim, plan) : 'Computing what pays …'}
          </Headline>
          {difference && !isComputing && (
            <Box textStyle="note" color="action" mt="-8px" mb="8px" aria-live="polite">
              {sayDifference(difference)}
            </Box>
          )}
          {refusal && <Caution what="No plan for this.">{sayRefusal(refusal)} The last one stands.</Caution>}
          {hasCrashed && (
            <Caution what="The planner broke down.">
              The last plan stands. <KeyButton keyName="Enter" label="Compute it again" size="small" onPress={again} />
            </Caution>
          )}
        </Box>
        <ScrollBox label={shows === 'parts' ? 'Parts' : 'Operations'} opacity={isComputing && plan ? 0.6 : 1}>
          {plan && shows === 'parts' && (
            <>
              <CurveChart model={model} plan={plan} />
              <Box textStyle="caption" color="inkMuted" textAlign="end" mb="8px">
                operations done, in the best order; worth after labour, 80 % band
              </Box>
              <PartLines
                plan={plan}
                wanted={aim.kind === 'parts' ? aim.parts : null}
                onToggle={pick}
                onPrice={asksPrices ? price : null}
              />
            </>
          )}
          {plan && shows === 'operations' && (
            <OperationLines model={model} plan={plan} findings={situation.findings} resistances={ground.resistances} />
          )}
          {plan && (
            <Box textStyle="note" color="inkMuted" mt="12px" display="grid" gap="4px">
              {plan.operations.length > 1 && <p>{sayOrder(plan)}</p>}
              {correction && <p>{correction}</p>}
              {donors.length > 1 && plan.operations.length > 0 && <p>{sayBatch(donors.length, plan)}</p>}
            </Box>
          )}
        </ScrollBox>
        <Box display="flex" flexWrap="wrap" gap="6px" pt="12px" borderTopWidth="1px" borderColor="rule">
          <KeyButton
            keyName=" "
            label={target ? `${mustWipe ? 'First wipe' : 'Run sheet for'} ${target.tag}` : 'No donor of it waits'}
            look="action"
            isEnabled={target !== undefined && (targets?.length ?? 0) > 0 && !isComputing && refusal === null}
            onPress={makeSheet}
          />
          <KeyButton
            keyName="w"
            label="What pays"
            aria-pressed={aim.kind === 'pays'}
            onPress={() => setAim({ kind: 'pays' })}
          />
          <KeyButton
            keyName="t"
            label="Pick parts"
            aria-pressed={aim.kind === 'parts'}
            onPress={() => {
              setShows('parts');
              setAim({ kind: 'parts', parts: targets ?? [] });
            }}
          />
          <KeyButton
            keyName="v"
            label="Everything"
            aria-pressed={aim.kind === 'everything'}
            onPress={() => setAim({ kind: 'everything' })}
          />
          <KeyButton
            keyName="p"
            label="Prices"
            aria-pressed={asksPrices}
            onPress={() => {
              setShows('parts');
              setAsksPrices(!asksPrices);
              setPrices({});
            }}
          />
          <KeyButton
            keyName="o"
            label={shows === 'parts' ? 'Order' : 'Parts'}
            onPress={() => setShows(shows === 'parts' ? 'operations' : 'parts')}
          />
        </Box>
      </Box>
    </Box>
  );
}

function situationOf(model: Model, unit: Unit | null): Situation {
  return {
    revision: unit?.revision ?? model.revisions[0]?.id ?? null,
    configuration: unit?.configuration ?? model.configurations[0]?.id ?? null,
    findings: unit ? [...new Set(unit.marks.map(({ kind }) => kind))] : [],
  };
}

/** The device to scale with what is wanted of it, and which of its kind it is. */
function DeviceSide({
  model,
  unit,
  situation,
  wanted,
  onChange,
}: {
  readonly model: Model;
  readonly unit: Unit | null;
  readonly situation: Situation;
  readonly wanted: readonly string[];
  readonly onChange: (situation: Situation) => void;
}) {
  const [shift, setShift] = useState(0);
  const best = bestFace(model, wanted);
  const face = model.faces[(best + shift) % model.faces.length] as Face;
  const { revision, configuration, findings } = situation;
  const asked = [
    ...new Set(model.operations.flatMap(({ when }) => [...(when?.findings ?? []), ...(when?.absentFindings ?? [])])),
  ];
  const nameOf = (list: readonly { readonly id: string; readonly name: string }[], id: string | null) =>
    list.find((entry) => entry.id === id)?.name ?? 'any';
  return (
    <>
      <Box as="h2" fontSize="26px" fontWeight="700" lineHeight="1.2">
        {model.name}{' '}
        <Box as="span" fontSize="16px" fontWeight="400" color="inkMuted">
          {model.maker} · version {model.version}
        </Box>
      </Box>
      <Box color="inkMuted" mt="4px" mb="14px">
        {unit ? `${unit.tag}, ` : ''}revision {revision ?? 'any'}, {nameOf(model.configurations, configuration)},{' '}
        {findings.length > 0 ? sayList(findings.map((finding) => findingNames[finding])) : 'nothing found'}.
      </Box>
      <FaceDrawing model={model} face={face} wanted={wanted} maxWidth={300} maxHeight={390} />
      <Box display="flex" flexWrap="wrap" gap="8px" mt="14px">
        <KeyButton keyName="f" label={face.name} size="small" onPress={() => setShift((before) => before + 1)} />
        {!unit && model.revisions.length > 1 && (
          <KeyButton
            keyName="r"
            label={`Revision ${revision}`}
            size="small"
            onPress={() =>
              onChange({
                ...situation,
                revision: nextOf(
                  model.revisions.map(({ id }) => id),
                  revision,
                ),
              })
            }
          />
        )}
        {!unit && model.configurations.length > 1 && (
          <KeyButton
            keyName="c"
            label={nameOf(model.configurations, configuration)}
            size="small"
            onPress={() =>
              onChange({
                ...situation,
                configuration: nextOf(
                  model.configurations.map(({ id }) => id),
                  configuration,
                ),
              })
            }
          />
        )}
        {!unit && asked.length > 0 && (
          <KeyButton
            keyName="g"
            label={findings[0] ? `Found: ${findingNames[findings[0]]}` : 'Nothing found'}
            size="small"
            onPress={() => onChange({ ...situation, findings: nextFinding(asked, findings[0]) })}
          />
        )}
      </Box>
    </>
  );
}

const nextOf = (ids: readonly string[], id: string | null): string | null =>
  ids[(ids.indexOf(id ?? '') + 1) % ids.length] ?? null;

/** Each finding the model asks about in turn, then none. */
function nextFinding(asked: readonly Finding[], now: Finding | undefined): readonly Finding[] {
  const next = asked[now === undefined ? 0 : asked.indexOf(now) + 1];
  return next === undefined ? [] : [next];
}

/** The face on which most of what is wanted is drawn. */
function bestFace(model: Model, wanted: readonly string[]): number {
  const counts = model.faces.map(
    ({ outlines }) => outlines.filter(({ part }) => part !== undefined && wanted.includes(part)).length,
  );
  return Math.max(0, counts.indexOf(Math.max(...counts)));
}
