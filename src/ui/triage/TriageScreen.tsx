'use client';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { Unit } from '@/core/bench/entities';
import type { Disposition } from '@/core/bench/stages';
import type { Model } from '@/core/procedure/model';
import { startingHouseRules } from '@/core/shared/houseRules';
import { plainSerial } from '@/core/shared/serials';
import { knowledgeFor } from '@/core/triage/knowledge';
import { proposeDisposition } from '@/core/triage/proposeDisposition';
import type { TriageView } from '@/services/triage/readTriage';
import { Headline } from '@/ui/base/Headline';
import { Nothing } from '@/ui/base/Nothing';
import { Queue } from '@/ui/base/Queue';
import { SidePanel } from '@/ui/base/SidePanel';
import { useShop, type Shop } from '@/ui/facts/ShopProvider';
import { KeyButton } from '@/ui/keys/KeyButton';
import { useChosen } from '@/ui/keys/useChosen';
import { sayCount } from '@/ui/words/amounts';
import { dispositionOrders } from '@/ui/words/names';
import { DispositionList } from './DispositionList';
import { IdentifyUnit } from './IdentifyUnit';
import { MarkedDrawing } from './MarkedDrawing';
import { QuickTests } from './QuickTests';
import { useDocuments } from './useDocuments';
import { useHold } from './useHold';

/** What is each unit good for? One at a time: identity, marks, tests; the proposal with its money. */
export function TriageScreen({ view, first }: { readonly view: TriageView; readonly first: string | undefined }) {
  const router = useRouter();
  const { models, fetchDocument } = useDocuments(view.models);
  const seeds = useMemo(() => ({ models, units: view.units, lostSerials: Object.keys(view.lost) }), [models, view]);
  const shop = useShop(seeds);
  const all = shop.units.filter(({ stage }) => stage === 'triage');
  // What others have in hand comes last and is not come upon by itself.
  const [lost, setLost] = useState<readonly string[]>([]);
  const isFree = ({ id }: Unit) => view.held[id] === undefined && !lost.includes(id);
  const waiting = [...all.filter(isFree), ...all.filter((entry) => !isFree(entry))];
  const { chosen, choose } = useChosen(
    waiting.filter(isFree).map(({ id }) => id),
    view.units.find(({ tag }) => tag === first)?.id,
  );
  const unit = waiting.find(({ id }) => id === chosen);
  // When somebody was quicker, on to the next.
  useHold(unit?.id, (id) => setLost((before) => [...before, id]));
  if (!unit) {
    return (
      <Box p="28px">
        <Headline
          lead={
            all.length > 0
              ? 'Whoever has them in hand lets go of them after two minutes.'
              : 'Tag units at the Dock, and they wait here.'
          }
        >
          {all.length > 0
            ? `The last ${sayCount(all.length, 'unit')} are with others`
            : 'Every unit has been looked at'}
        </Headline>
        <KeyButton keyName="u" label="Take the last one back" onPress={() => void shop.takeBack()} />
      </Box>
    );
  }
  return (
    <Box
      display="grid"
      gridTemplateColumns={{ base: '1fr', lg: '200px minmax(0, 1fr) 350px' }}
      h={{ lg: 'calc(100vh - 84px)' }}
    >
      <Queue
        label="Units to look at"
        title={`${sayCount(waiting.length, 'unit')} to look at`}
        entries={waiting.map((entry) => ({
          id: entry.id,
          tag: entry.tag,
          words: view.held[entry.id] ? `with ${view.held[entry.id]}` : knownAs(entry, view),
        }))}
        chosen={unit.id}
        onChoose={choose}
      >
        <Box display="grid" gap="8px" p="14px">
          <KeyButton keyName="k" label="How it did" size="small" onPress={() => router.push('/triage/score')} />
          <KeyButton keyName="j" label="Label printer" size="small" onPress={() => router.push('/labels')} />
          <KeyButton keyName="z" label="Kept apart" size="small" onPress={() => router.push('/apart')} />
        </Box>
      </Queue>
      <OneUnit key={unit.id} unit={unit} view={view} models={models} fetchDocument={fetchDocument} shop={shop} />
    </Box>
  );
}

interface OneUnitProps {
  readonly unit: Unit;
  readonly view: TriageView;
  readonly models: readonly Model[];
  readonly fetchDocument: ReturnType<typeof useDocuments>['fetchDocument'];
  readonly shop: Shop;
}

function OneUnit({ unit, view, models, fetchDocument, shop }: OneUnitProps) {
  const [isIdentifying, setIdentifying] = useState(false);
  const [isExplained, setExplained] = useState(false);
  const latest = useRef(shop);
  useEffect(() => {
    latest.current = shop;
  });
  const model = models.find(({ id, version }) => id === unit.modelId && version === unit.modelVersion);
  const line = view.lines[unit.id];
  const serial = unit.serial ?? line?.serial ?? '';
  const before = view.returns[serial];
  const lostOn = view.lost[plainSerial(serial)];
  const isLost = lostOn !== undefined && !unit.isOwnershipSettled;
  const proposal = useMemo(
    () =>
      model &&
      proposeDisposition(
        model,
        { ...unit, isReportedLost: isLost },
        knowledgeFor(view.knowledge, model.id),
        startingHouseRules,
      ),
    [model, unit, view, isLost],
  );
  const valued = proposal?.valued ?? [];
  const proposed: Disposition = valued[0]?.disposition ?? 'quarantine';
  const weighed = valued
    .filter(({ isPossible }) => isPossible)
    .map(({ disposition, cents, lowCents, highCents }) => ({ disposition, cents, lowCents, highCents }));
  const decide = (disposition: Disposition) => {
    const hasSwelling = unit.marks.some(({ kind }) => kind === 'swelling');
    const apartPlace =
      disposition !== 'quarantine' ? null : hasSwelling ? 'hazard' : model ? 'ownership' : 'unknown-model';
    shop.act('unit-decided', unit.id, { disposition, proposed, apartPlace, weighed });
  };

  return (
    <>
      <Box p="16px 22px" display="flex" flexDirection="column" gap="12px" minW="0" minH="0" overflowY="auto">
        <Box display="flex" gap="16px" alignItems="flex-start">
          <Box flex="1">
            <Box as="h1" textStyle="headline">
              {model ? `${model.maker} ${model.name}` : `${unit.tag}: which model is it?`}
            </Box>
            {model && (
              <Box>
                Revision {unit.revision}, {nameIn(model.configurations, unit.configuration)},{' '}
                {nameIn(model.variants, unit.variant)}. Serial {unit.serial ?? 'not read'}.
              </Box>
            )}
            <Box textStyle="note" color="inkMuted">
              {line
                ? `The list says ${line.maker} ${line.model}, ${line.serial}${line.note ? `, “${line.note}”` : ''}.`
                : 'It was not on the list.'}
            </Box>
            {lostOn && (
              <Box textStyle="note" color="danger" fontWeight="600">
                Its serial was reported lost on {lostOn}
                {isLost ? ': keep it apart.' : '; its owner has agreed since.'}
              </Box>
            )}
            {before && (
              <Box textStyle="note" color="waiting" fontWeight="600">
                It was here before: sent as {before}. A return is looked at with what was done to it then.
              </Box>
            )}
          </Box>
          <KeyButton
            keyName="i"
            label={model ? 'Identify again' : 'Identify'}
            look={model ? 'quiet' : 'action'}
            onPress={() => setIdentifying(true)}
          />
          <KeyButton keyName="u" label="Take back" onPress={() => void shop.takeBack()} />
        </Box>
        {model ? (
          <>
            <MarkedDrawing
              model={model}
              unit={unit}
              onMark={(mark) => void shop.act('mark-placed', unit.id, { mark })}
              onPhoto={(photo) => void latest.current.act('photo-taken', unit.id, { photo })}
            />
            <QuickTests
              restKey="a"
              tests={model.tests}
              results={unit.tests}
              onNote={(test, result) => void shop.act('test-noted', unit.id, { test, result })}
            />
          </>
        ) : (
          <Nothing>
            Identify it with a few keys, or keep it apart as an unknown model. Marks and tests come then.
          </Nothing>
        )}
      </Box>
      <SidePanel gap="0" minH="0" overflowY="auto">
        <Box display="flex" justifyContent="space-between" alignItems="baseline" mb="10px">
          <Box as="h2" textStyle="section">
            What it is good for
          </Box>
          <KeyButton
            keyName="e"
            label={isExplained ? 'Sums only' : 'The arithmetic'}
            size="small"
            aria-pressed={isExplained}
            onPress={() => setExplained((before) => !before)}
          />
        </Box>
        <DispositionList
          valued={valued}
          turn={proposal?.turn ?? null}
          isExplained={isExplained}
          proposed={proposed}
          onDecide={decide}
        />
        <Box mt="auto" pt="16px">
          <KeyButton
            keyName=" "
            // The tag stays in one piece when the words do not fit into one line.
            label={`${dispositionOrders[proposed]}, ${unit.tag.replace('-', '\u2011')}`}
            look="action"
            size="wide"
            w="100%"
            onPress={() => decide(proposed)}
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

const nameIn = (items: readonly { readonly id: string; readonly name: string }[], id: string | null): string =>
  items.find((item) => item.id === id)?.name ?? '';

/** Its model, or with a question mark what the list promised. */
function knownAs({ id, modelId }: Unit, { identities, lines }: TriageView): string {
  const known = identities.find((model) => model.id === modelId)?.name;
  const promised = lines[id]?.model;
  return known ?? (promised ? `${promised}?` : 'not known');
}
