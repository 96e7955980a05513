'use client';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useRef, useState } from 'react';
import { askedOfUnit } from '@/core/selfTest/asked';
import type { Unit } from '@/core/entities/entities';
import type { Disposition } from '@/core/entities/stages';
import { modelAmong, type Model } from '@/core/procedure/model';
import { plainSerial } from '@/core/shared/serials';
import { placeApart } from '@/core/shop/apart';
import { knowledgeFor } from '@/core/triage/knowledge';
import type { TriageView } from '@/services/triage/readTriage';
import { Headline } from '@/ui/base/Headline';
import { useLate } from '@/ui/base/late';
import { Nothing } from '@/ui/base/Nothing';
import { Queue } from '@/ui/base/Queue';
import { SidePanel } from '@/ui/base/SidePanel';
import { useShop, type Shop } from '@/ui/facts/ShopProvider';
import { useChosenThing } from '@/ui/facts/useChosenThing';
import { NextPlace } from '@/ui/line/NextPlace';
import { KeyButton } from '@/ui/keys/KeyButton';
import { dispositionOrders } from '@/words/say/names';
import { DispositionList } from './DispositionList';
import { IdentifyUnit } from './IdentifyUnit';
import { MarkedDrawing } from './MarkedDrawing';
import { SelfTestSection } from '@/ui/selfTest/SelfTestSection';
import { QuickTests } from './QuickTests';
import { proposer } from './proposer';
import { useDocuments, useFetchedAhead, type Documents } from './useDocuments';
import { useHold } from './useHold';
import { useHouseRules } from '@/ui/rules/RulesProvider';
import * as texts from '@/words/catalogue/triage';

/** So many units ahead are ready to be weighed. */
const ahead = 4;

/** What is each unit good for? One at a time: identity, marks, tests; the proposal with its money. */
export function TriageScreen({ view, first }: { readonly view: TriageView; readonly first: string | undefined }) {
  const router = useRouter();
  const documents = useDocuments(view);
  const { models } = documents;
  const seeds = useMemo(() => ({ models, units: view.units, lostSerials: Object.keys(view.lost) }), [models, view]);
  const shop = useShop(seeds);
  // One that was only just called back here is at hand before the server lists it.
  const listed = new Set(shop.units.map(({ id }) => id));
  const all = [...shop.units, ...shop.madeUnits.filter(({ id }) => !listed.has(id))].filter(
    ({ stage }) => stage === 'triage',
  );
  // What others have in hand comes last and is not come upon by itself.
  const [lost, setLost] = useState<readonly string[]>([]);
  const isFree = ({ id }: Unit) => view.held[id] === undefined && !lost.includes(id);
  const waiting = [...all.filter(isFree), ...all.filter((entry) => !isFree(entry))];
  const { chosen, choose } = useChosenThing(
    waiting.filter(isFree).map(({ id }) => id),
    all.find(({ tag }) => tag === first)?.id,
  );
  const unit = waiting.find(({ id }) => id === chosen);
  const at = unit ? waiting.indexOf(unit) : 0;
  useFetchedAhead(documents, view, waiting.slice(at, at + ahead));
  // When somebody was quicker, on to the next.
  useHold(unit?.id, (id) => setLost((before) => [...before, id]));
  if (!unit) {
    return (
      <Box p="28px">
        <Headline lead={texts.theyBecomeFreeTwoMinutes({ isAll: all.length > 0 ? 'yes' : 'no' })}>
          {all.length > 0 ? texts.lastUnitWithColleagues({ all: all.length }) : texts.allUnitsAreTriaged()}
        </Headline>
        <Box display="flex" gap="10px">
          {all.length === 0 && <NextPlace stage="dock" />}
          <KeyButton records keyName="u" label={texts.undoLastDecision()} onPress={() => void shop.takeBack()} />
        </Box>
      </Box>
    );
  }
  return (
    <Box
      display="grid"
      gridTemplateColumns={{
        base: 'minmax(0, 1fr)',
        lg: '176px minmax(0, 1fr) 300px',
        xl: '200px minmax(0, 1fr) 350px',
      }}
      h={{ lg: 'calc(100vh - 84px)' }}
    >
      <Queue
        label={texts.unitsToTriage()}
        title={texts.unitToTriage({ waiting: waiting.length })}
        entries={waiting.map((entry) => ({
          id: entry.id,
          tag: entry.tag,
          words: inHandsOf(view.held[entry.id]) ?? knownAs(entry, view),
        }))}
        chosen={unit.id}
        onChoose={choose}
      >
        <Box display="grid" gap="8px" p="14px">
          <KeyButton
            keyName="k"
            label={texts.proposalRecord()}
            size="small"
            onPress={() => router.push('/triage/score')}
          />
          <KeyButton keyName="j" label={texts.labelPrinter()} size="small" onPress={() => router.push('/labels')} />
          <KeyButton keyName="z" label={texts.keptApart()} size="small" onPress={() => router.push('/apart')} />
        </Box>
      </Queue>
      <OneUnit key={unit.id} unit={unit} view={view} documents={documents} shop={shop} />
    </Box>
  );
}

const inHandsOf = (name: string | undefined) => (name ? texts.withColleague({ name }) : undefined);

interface OneUnitProps {
  readonly unit: Unit;
  readonly view: TriageView;
  readonly documents: Documents;
  readonly shop: Shop;
}

function OneUnit({ unit, view, documents, shop }: OneUnitProps) {
  const { models, knowledgeOf, fetchDocument } = documents;
  const [isIdentifying, setIdentifying] = useState(false);
  const [isExplained, setExplained] = useState(false);
  const latest = useRef(shop);
  useEffect(() => {
    latest.current = shop;
  });
  const model = modelAmong(models, unit);
  const line = view.lines[unit.id];
  const serial = unit.serial ?? line?.serial ?? '';
  const lostOn = view.lost[plainSerial(serial)];
  const isLost = lostOn !== undefined && !unit.isOwnershipSettled;
  const rules = useHouseRules();
  const propose = useLate(proposer);
  const knowledge = model && knowledgeOf(model);
  const proposal = useMemo(
    () =>
      model &&
      knowledge &&
      propose?.(model, { ...unit, isReportedLost: isLost }, knowledgeFor(knowledge, model.id), rules),
    [propose, model, unit, knowledge, isLost, rules],
  );
  // It is identified, and its document is on its way.
  const isComing = !model && unit.modelId !== null;
  const isWeighed = model ? Boolean(proposal) : !isComing;
  const valued = proposal?.valued ?? [];
  const proposed: Disposition = valued[0]?.disposition ?? 'quarantine';
  const weighed = valued
    .filter(({ isPossible }) => isPossible)
    .map(({ disposition, cents, lowCents, highCents }) => ({ disposition, cents, lowCents, highCents }));
  const decide = (disposition: Disposition) => {
    const apartPlace = disposition === 'quarantine' ? placeApart(unit, null) : null;
    shop.act('unit-decided', unit.id, { disposition, proposed, apartPlace, weighed });
  };

  return (
    <>
      <Box p="16px 22px" display="flex" flexDirection="column" gap="12px" minW="0" minH="0" overflowY="auto">
        <Box
          display="flex"
          flexWrap={{ base: 'wrap', xl: 'nowrap' }}
          gap={{ base: '8px', xl: '16px' }}
          alignItems="flex-start"
        >
          <UnitSays {...{ view, unit, model, isLost }} />
          <KeyButton
            records
            keyName="i"
            label={texts.identifyAgain({ isModel: model ? 'yes' : 'no' })}
            onPress={() => setIdentifying(true)}
          />
          <KeyButton records keyName="u" label={texts.undo()} onPress={() => void shop.takeBack()} />
        </Box>
        {model ? (
          <>
            <MarkedDrawing
              model={model}
              unit={unit}
              onMark={(mark) => void shop.act('mark-placed', unit.id, { mark })}
              onPhoto={(photo) => latest.current.act('photo-taken', unit.id, { photo }).ok}
            />
            <QuickTests
              tests={model.tests}
              results={unit.tests}
              onNote={(test, result) => void shop.act('test-noted', unit.id, { test, result })}
            />
            <SelfTestSection unitId={unit.id} part={null} version={unit.version} asked={askedOfUnit(model)} />
          </>
        ) : (
          <Nothing>{isComing ? texts.documentOnItsWay() : texts.identifyWithFewKeysOr()}</Nothing>
        )}
      </Box>
      <SidePanel gap="0" minH="0" overflowY="auto">
        <Box display="flex" justifyContent="space-between" alignItems="baseline" mb="10px">
          <Box as="h2" textStyle="section">
            {texts.whatGoodFor()}
          </Box>
          <KeyButton
            keyName="e"
            label={texts.totalsOnly({ isExplained: isExplained ? 'yes' : 'no' })}
            size="small"
            aria-pressed={isExplained}
            onPress={() => setExplained((before) => !before)}
          />
        </Box>
        {isWeighed ? (
          <DispositionList
            valued={valued}
            turn={proposal?.turn ?? null}
            isExplained={isExplained}
            proposed={proposed}
            onDecide={decide}
          />
        ) : (
          <Box color="inkMuted">{texts.weighing()}</Box>
        )}
        <Box mt="auto" pt="16px" pb="4px" position={{ lg: 'sticky' }} bottom="-20px" bg="sheet" data-main>
          <KeyButton
            records
            keyName=" "
            label={texts.nextThing({
              order: model ? dispositionOrders[proposed] : texts.identifyIt(),
              // The tag stays in one piece when the words do not fit into one line.
              tag: unit.tag.replace('-', '\u2011'),
            })}
            look="action"
            size="wide"
            w="100%"
            // What nobody has weighed yet is not decided.
            isEnabled={isWeighed}
            // The pedal never decides about what nobody has looked at.
            onPress={() => (model ? decide(proposed) : setIdentifying(true))}
          />
        </Box>
      </SidePanel>
      {isIdentifying && (
        <IdentifyUnit
          models={view.identities}
          line={line}
          onChosen={(chosen) => void fetchDocument(chosen)}
          onClose={() => setIdentifying(false)}
          onIdentified={async (identity) => {
            setIdentifying(false);
            await fetchDocument({ id: identity.modelId, version: identity.modelVersion });
            latest.current.act('unit-identified', unit.id, identity);
          }}
        />
      )}
    </>
  );
}

/** Who a unit is, what the list promised of it, and what else is known of its serial. */
function UnitSays({
  view,
  unit,
  model,
  isLost,
}: {
  readonly view: TriageView;
  readonly unit: Unit;
  readonly model: Model | undefined;
  readonly isLost: boolean;
}) {
  const line = view.lines[unit.id];
  const serial = unit.serial ?? line?.serial ?? '';
  const before = view.returns[serial];
  const lostOn = view.lost[plainSerial(serial)];
  const known = model ?? view.identities.find(({ id }) => id === unit.modelId);
  return (
    <Box flex="1">
      <Box as="h1" textStyle="headline">
        {known ? `${known.maker} ${known.name}` : texts.whichModel2({ tag: unit.tag })}
      </Box>
      {model && (
        <Box>
          {texts.revisionSerial({
            revision: unit.revision,
            configuration: nameIn(model.configurations, unit.configuration),
            variant: nameIn(model.variants, unit.variant),
            notRead: unit.serial ?? texts.notRead(),
          })}
        </Box>
      )}
      <Box textStyle="note" color="inkMuted">
        {line
          ? texts.onList({
              maker: line.maker,
              model: line.model,
              serial: line.serial,
              note: line.note ? `, “${line.note}”` : '',
            })
          : texts.notOnList()}
      </Box>
      {lostOn && (
        <Box textStyle="note" color="danger" fontWeight="600">
          {texts.itsSerialWasReportedLost({ lostOn, isLost: isLost ? 'yes' : 'no' })}
        </Box>
      )}
      {before && (
        <Box textStyle="note" color="waiting" fontWeight="600">
          {texts.returnLeftHereBeforeAs({ before })}
        </Box>
      )}
    </Box>
  );
}

const nameIn = (items: readonly { readonly id: string; readonly name: string }[], id: string | null): string =>
  items.find((item) => item.id === id)?.name ?? '';

/** Its model, or with a question mark what the list promised. */
function knownAs({ id, modelId }: Unit, { identities, lines }: TriageView): string {
  const known = identities.find((model) => model.id === modelId)?.name;
  const promised = lines[id]?.model;
  return known ?? texts.notKnown({ isPromised: promised ? 'yes' : 'no', promised });
}
