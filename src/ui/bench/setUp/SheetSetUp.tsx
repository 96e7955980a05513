'use client';
import { list } from '@/words/format';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { broughtBy } from '@/core/sheet/brought';
import { sheetOf } from '@/core/sheet/sheetOf';
import { defaultTargets } from '@/core/sheet/sheetSteps';
import { slotNeeds } from '@/core/sale/slots';
import { getModelPart } from '@/core/procedure/model';
import type { SheetKind } from '@/core/teardown/sheet/runSheet';
import { Caution } from '@/ui/base/Caution';
import { Headline } from '@/ui/base/Headline';
import { SidePanel } from '@/ui/base/SidePanel';
import { KeyButton } from '@/ui/keys/KeyButton';
import { Refused } from '@/ui/base/Refused';
import { BenchHeader } from '../BenchHeader';
import type { BenchProps } from '../benchProps';
import { useHouseRules } from '@/ui/rules/RulesProvider';
import * as words from '@/words/catalogue/bench';
import * as later from '@/words/catalogue/benchLater';
import { PartsToFit, WantedParts } from './SheetParts';
import { SheetInShort } from './SheetInShort';

/** What is wanted of this unit, and what the sheet for it takes. Wiping comes before anything is opened. */
export function SheetSetUp(props: BenchProps & { readonly kind: SheetKind; readonly proposed: readonly string[] }) {
  const { unit, model, shop, kind, proposed } = props;
  const { parts } = shop;
  const router = useRouter();
  const faulty = useMemo(
    () =>
      new Set(
        slotNeeds(model, unit)
          .filter(({ isNeeded }) => isNeeded)
          .map(({ part }) => part.id),
      ),
    [model, unit],
  );
  const offered = kind === 'rebuild' ? Object.keys(unit.assigned) : defaultTargets(model, unit.configuration);
  const likely = offered.filter((id) => kind === 'rebuild' || proposed.includes(id));
  const [targets, setTargets] = useState<readonly string[]>(likely);
  const isAll = targets.length === offered.length;
  const rules = useHouseRules();
  const [keeping, setKeeping] = useState(rules.screwsIn);
  const sheet = useMemo(() => {
    const brought =
      kind === 'rebuild' ? broughtBy(model, unit.assigned, (id) => parts.find((part) => part.id === id)) : [];
    return sheetOf(model, unit, { kind, targets, keeping, rules, brought });
  }, [model, unit, kind, targets, keeping, rules, parts]);
  const mustWipe = kind === 'teardown' && unit.tests.starts === 'sound' && !unit.isWiped;
  const toggle = (id: string) =>
    setTargets((before) =>
      before.includes(id)
        ? before.filter((other) => other !== id)
        : offered.filter((other) => other === id || before.includes(other)),
    );
  const start = () => shop.act('sheet-started', unit.id, { kind, targets, keeping });
  const worth = targets.reduce((sum, id) => sum + (getModelPart(model, id).valueCents?.B ?? 0), 0);
  const minutes = sheet.ok ? sheet.value.minutes : { low: 0, likely: 0, high: 0 };
  const lacked = sheet.ok ? sheet.value.tools.filter((tool) => rules.missingTools.includes(tool)) : [];
  const onRungs = sheet.ok ? sheet.value.rungTools.filter((tool) => rules.missingTools.includes(tool)) : [];
  const work = Math.round(minutes.likely * rules.labourCentsPerMinute);

  return (
    <Box
      minH="100vh"
      display="grid"
      gridTemplateColumns="minmax(0, 1fr)"
      gridTemplateRows={{ base: 'auto 1fr', lg: '60px 1fr' }}
    >
      <BenchHeader {...props}>
        {later.donorPickPartsYouWant({ isKindTeardown: kind === 'teardown' ? 'yes' : 'no' })}
      </BenchHeader>
      <Box
        display="grid"
        gridTemplateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) 330px', xl: 'minmax(0, 1fr) 380px' }}
        as="main"
      >
        <Box p="24px 28px">
          <Headline
            lead={
              kind === 'teardown'
                ? later.worthAboutAtGradeB({ worth, work })
                : later.getsReplacement({
                    partNoneIsSetAside:
                      list(targets.map((id) => getModelPart(model, id).name)) || later.partNoneReserved(),
                  })
            }
          >
            {kind === 'teardown'
              ? later.partsWantedAbout({ targets: targets.length, likely: minutes.likely })
              : later.openChangeCloseAbout({
                  parts: targets.length,
                  likely: minutes.likely,
                })}
          </Headline>
          {kind === 'teardown' ? (
            <WantedParts {...{ unit, model, offered, targets, faulty }} onToggle={toggle} />
          ) : (
            <PartsToFit {...{ unit, model, targets }} parts={shop.parts} />
          )}
        </Box>
        <SidePanel>
          {sheet.ok ? (
            <SheetInShort sheet={sheet.value} kind={kind} keeping={keeping} onKeep={setKeeping} />
          ) : (
            <Caution what={later.noSheet()}>
              <Refused refusal={sheet.refusal} />
            </Caution>
          )}
          {kind === 'teardown' && targets.length === 0 && (
            <Caution tone="waiting" what={later.nothingProposed()}>
              {later.nothingProposedSays()}
            </Caution>
          )}
          {lacked.length > 0 && (
            <Caution what={later.toolsMissing({ tools: list(lacked) })}>{later.toolsMissingSays()}</Caution>
          )}
          {onRungs.length > 0 && (
            <Caution tone="waiting" what={later.rungToolsMissing({ tools: list(onRungs) })}>
              {later.rungToolsMissingSays()}
            </Caution>
          )}
          {mustWipe && <Caution what={later.dataFirst()}>{later.startsWipeNowOnceIn()}</Caution>}
          {kind === 'teardown' && !mustWipe && !unit.isWiped && (
            <Caution tone="waiting" what={later.doesNotStart()}>
              {later.itsStorageMarkedForDestruction()}
            </Caution>
          )}
          <Box mt="auto" display="grid" gap="10px">
            {mustWipe ? (
              <KeyButton
                records
                keyName=" "
                label={later.markAsWiped()}
                look="action"
                size="wide"
                onPress={() => void shop.act('wipe-recorded', unit.id, { method: 'device-erase' })}
              />
            ) : (
              <KeyButton
                records
                keyName=" "
                label={later.startSheet()}
                look="action"
                size="wide"
                isEnabled={sheet.ok && targets.length > 0}
                onPress={() => void start()}
              />
            )}
            {kind === 'teardown' && (
              <KeyButton
                keyName="a"
                label={later.takeAll({ isAll: isAll ? 'yes' : 'no' })}
                onPress={() => setTargets(isAll ? likely : offered)}
              />
            )}
            {kind === 'teardown' && (
              <KeyButton
                keyName="p"
                label={later.whatPays()}
                onPress={() => router.push(`/models/${model.id}/plan?unit=${unit.tag}`)}
              />
            )}
            <Box display="grid" gridTemplateColumns="1fr 1fr" gap="10px">
              <KeyButton records keyName="u" label={words.undo()} onPress={() => void shop.takeBack(unit.id)} />
              <KeyButton keyName="Escape" label={words.leave()} onPress={() => router.push(`/${kind}`)} />
            </Box>
          </Box>
        </SidePanel>
      </Box>
    </Box>
  );
}
