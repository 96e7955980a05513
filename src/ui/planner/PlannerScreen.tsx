'use client';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import type { PlannerView } from '@/services/plans/readPlanner';
import { ScrollBox } from '@/ui/base/ScrollBox';
import { useShop } from '@/ui/facts/ShopProvider';
import { CurveChart } from './CurveChart';
import { DeviceSide } from './DeviceSide';
import { LayOut } from './LayOut';
import { Openings } from './Openings';
import { OperationLines } from './OperationLines';
import { PartLines } from './PartLines';
import { PlanHead } from './PlanHead';
import { PlannerKeys } from './PlannerKeys';
import { sayBatch, sayOrder } from './planWords';
import { usePlan } from './usePlan';
import { usePlanRequest } from './usePlanRequest';
import { useHouseRules } from '@/ui/rules/RulesProvider';
import * as words from '@/words/catalogue/planner';

/** How far does it pay, which parts, in which order: computed for a model, or for one unit that waits on its sheet. */
export function PlannerScreen({ view }: { readonly view: PlannerView }) {
  const { model, ground, donors, unit } = view;
  const router = useRouter();
  const rules = useHouseRules();
  const seeds = useMemo(() => ({ models: [view.model], units: view.unit ? [view.unit] : view.donors }), [view]);
  const shop = useShop(seeds);
  const { request, situation, setSituation, aim, setAim, pick, price, forgetPrices } = usePlanRequest(view);
  const [asksPrices, setAsksPrices] = useState(false);
  const [shows, setShows] = useState<'parts' | 'operations'>('parts');
  const { plan, difference, openability, refusal, isComputing, hasCrashed, again } = usePlan(model, request);
  const targets = plan?.lines
    .filter(({ verdict }) => verdict === 'free' || verdict === 'along')
    .map(({ part }) => part);
  const target = unit ?? donors[0];
  // Data first: the bench asks for the wipe before it starts a sheet.
  const mustWipe = target?.tests.starts === 'sound' && !target.isWiped;
  const makeSheet = () => {
    if (!target || !targets) return;
    if (mustWipe) return router.push(`/bench/${target.tag}`);
    const started = shop.act('sheet-started', target.id, {
      kind: 'teardown',
      targets,
      keeping: rules.screwsIn,
    });
    if (started.ok) router.push(`/bench/${target.tag}`);
  };
  return (
    <Box
      display="grid"
      gridTemplateColumns={{ base: 'minmax(0, 1fr)', lg: '350px minmax(0, 1fr)' }}
      gridTemplateRows={{ lg: 'minmax(0, 1fr)' }}
      h={{ lg: 'calc(100vh - 84px)' }}
    >
      <ScrollBox label={words.theDevice()} p="20px 24px" borderEndWidth="1px" borderColor="rule">
        <DeviceSide model={model} unit={unit} situation={situation} wanted={targets ?? []} onChange={setSituation} />
        {plan && <LayOut model={model} plan={plan} situation={situation} />}
        {openability && <Openings openability={openability} />}
      </ScrollBox>
      <Box p="20px 24px 12px" minW="0" display="grid" gridTemplateRows="auto minmax(0, 1fr) auto">
        <PlanHead
          {...{ model, aim, plan, refusal, hasCrashed }}
          difference={isComputing ? null : difference}
          onAgain={again}
        />
        <ScrollBox
          label={words.parts({ isShowsParts: shows === 'parts' ? 'yes' : 'no' })}
          opacity={isComputing && plan ? 0.6 : 1}
        >
          {plan && shows === 'parts' && (
            <>
              <CurveChart model={model} plan={plan} />
              <Box textStyle="caption" color="inkMuted" textAlign="end" mb="8px">
                {words.stepsDoneInBestOrder()}
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
              {donors.length > 1 && plan.operations.length > 0 && <p>{sayBatch(donors.length, plan)}</p>}
            </Box>
          )}
        </ScrollBox>
        <PlannerKeys
          makeLabel={
            target
              ? words.wipeFirst({ isMustWipe: mustWipe ? 'yes' : 'no', tag: target.tag })
              : words.noDonorThisModelWaiting()
          }
          canMake={target !== undefined && (targets?.length ?? 0) > 0 && !isComputing && refusal === null}
          onMake={makeSheet}
          aim={aim.kind}
          onAim={(kind) => {
            if (kind === 'parts') setShows('parts');
            setAim(kind === 'parts' ? { kind, parts: targets ?? [] } : { kind });
          }}
          asksPrices={asksPrices}
          onPrices={() => {
            setShows('parts');
            setAsksPrices(!asksPrices);
            forgetPrices();
          }}
          showsParts={shows === 'parts'}
          onShow={() => setShows(shows === 'parts' ? 'operations' : 'parts')}
        />
      </Box>
    </Box>
  );
}
