'use client';
import { Box } from '@chakra-ui/react';
import { useMemo, useState } from 'react';
import type { Part, Unit } from '@/core/bench/entities';
import { gradeForSale, openProofs } from '@/core/bench/proving';
import { priceOf } from '@/core/matching/rankForSlot';
import type { Model } from '@/core/procedure/model';
import { saleGrades, type SaleGrade } from '@/core/shared/grades';
import { startingHouseRules } from '@/core/shared/houseRules';
import { money } from '@/core/shared/money';
import type { ProveView } from '@/services/prove/readProve';
import { Caution } from '@/ui/base/Caution';
import { Headline } from '@/ui/base/Headline';
import { Nothing } from '@/ui/base/Nothing';
import { Punches } from '@/ui/base/Punches';
import { Queue } from '@/ui/base/Queue';
import { Section } from '@/ui/base/Section';
import { SidePanel } from '@/ui/base/SidePanel';
import { useShop, type Shop } from '@/ui/facts/ShopProvider';
import { KeyButton } from '@/ui/keys/KeyButton';
import { useChosen } from '@/ui/keys/useChosen';
import { QuickTests } from '@/ui/triage/QuickTests';
import { sayCount, sayList } from '@/ui/words/amounts';
import { testNames } from '@/ui/words/names';

/** May this be sold? Tests, wipe, look: then its grade and its price. */
export function ProveScreen({ view, first }: { readonly view: ProveView; readonly first: string | undefined }) {
  const seeds = useMemo(() => ({ models: view.models, units: view.units, parts: view.parts }), [view]);
  const shop = useShop(seeds);
  const waiting = shop.units.filter(({ stage }) => stage === 'prove');
  const { chosen, choose } = useChosen(
    waiting.map(({ id }) => id),
    view.units.find(({ tag }) => tag === first)?.id,
  );
  const unit = waiting.find(({ id }) => id === chosen);
  const modelOf = ({ modelId, modelVersion }: Unit) =>
    view.models.find(({ id, version }) => id === modelId && version === modelVersion);
  const model = unit && modelOf(unit);
  return (
    <Box display="grid" gridTemplateColumns={{ base: '1fr', lg: '220px minmax(0, 1fr)' }} minH="calc(100vh - 84px)">
      <Queue
        label="Units to prove"
        title={`${sayCount(waiting.length, 'unit')} to prove`}
        entries={waiting.map((entry) => ({ id: entry.id, tag: entry.tag, words: modelOf(entry)?.name ?? '' }))}
        chosen={chosen}
        onChoose={choose}
      />
      {unit && model ? (
        <ProveOneUnit key={unit.id} unit={unit} model={model} shop={shop} />
      ) : (
        <Box p="28px">
          <Headline lead="Units come here from the bench, or from Match when they need no part.">
            Nothing waits to be proven
          </Headline>
          <Nothing>What was released is at Send.</Nothing>
          <KeyButton keyName="u" label="Take the last one back" onPress={() => void shop.takeBack()} />
        </Box>
      )}
    </Box>
  );
}

function ProveOneUnit({ unit, model, shop }: { readonly unit: Unit; readonly model: Model; readonly shop: Shop }) {
  const [look, setLook] = useState<SaleGrade>('B');
  const open = openProofs(model, unit);
  const failed = model.tests.filter((test) => unit.proof[test] === 'fault');
  const fitted = shop.parts.filter((part: Part) => Object.values(unit.fitted).includes(part.id));
  const sale = gradeForSale(model, unit, fitted, look);
  const isReady = open.length === 0 && unit.isWiped;
  const price =
    unit.disposition === 'as-is'
      ? Math.round(priceOf(model, unit.variant, 'D') * startingHouseRules.asIsShare)
      : priceOf(model, unit.variant, sale.saleGrade);
  return (
    <Box display="grid" gridTemplateColumns="minmax(0, 1fr) 320px">
      <Box p="20px 26px" minW="0" display="flex" flexDirection="column" gap="22px">
        <Headline
          lead={`${model.maker} ${model.name}, serial ${unit.serial ?? 'not read'}. ${fitted.length > 0 ? `It got another ${sayList(fitted.map((part) => model.parts.find(({ id }) => id === part.partRef)?.name ?? part.partRef))}.` : 'Nothing was changed in it.'}`}
        >
          {failed.length > 0
            ? `${unit.tag} fails at ${sayList(failed.map((test) => testNames[test].toLowerCase()))}`
            : open.length > 0
              ? `${unit.tag}: ${sayCount(open.length, 'test')} open`
              : unit.isWiped
                ? `${unit.tag} may be sold at ${sale.saleGrade}`
                : `${unit.tag} works; wipe it, then it may be sold`}
        </Headline>
        {unit.disposition === 'as-is' ? (
          <Caution tone="waiting" what="Sold as it is:">
            untested, at D. Only the wipe is asked for.
          </Caution>
        ) : (
          <Section title="Tests" note={`${model.tests.length - open.length} of ${model.tests.length} passed`}>
            <Box pt="12px">
              <QuickTests
                restKey="t"
                tests={model.tests}
                results={unit.proof}
                onNote={(test, result) => void shop.act('proof-noted', unit.id, { test, result })}
              />
            </Box>
          </Section>
        )}
        <Section title="Data">
          <Box pt="12px" display="flex" gap="14px" alignItems="center">
            {unit.isWiped ? (
              <Caution tone="sound" what="Wiped.">
                Recorded with who and when.
              </Caution>
            ) : (
              <KeyButton
                keyName="w"
                label="It is wiped"
                look="outline"
                onPress={() => void shop.act('wipe-recorded', unit.id, { method: 'device-erase' })}
              />
            )}
          </Box>
        </Section>
        <Section title="The look, under the lamp" note="as a buyer sees it">
          <Box display="flex" gap="8px" pt="12px">
            {saleGrades.map((grade) => (
              <KeyButton
                key={grade}
                keyName={grade.toLowerCase()}
                label={`Looks like ${grade}`}
                look={grade === look ? 'outline' : 'quiet'}
                aria-pressed={grade === look}
                onPress={() => setLook(grade)}
              >
                <Punches grade={grade} />
              </KeyButton>
            ))}
          </Box>
        </Section>
      </Box>
      <SidePanel>
        <Section title="Sale grade">
          <Box py="14px">
            <Punches grade={sale.saleGrade} size="large" />
          </Box>
          <Box color="inkMuted">
            {sale.saleGrade === 'A'
              ? 'Nothing holds it down.'
              : `Held down by ${sale.limiting === 'the look' || sale.limiting === 'sold as it is' ? sale.limiting : `the ${sale.limiting}`}.`}
          </Box>
          <Box textStyle="figure" mt="12px">
            {money(price)}
          </Box>
        </Section>
        <Box mt="auto" display="grid" gap="10px">
          {failed.length > 0 && (
            <KeyButton
              keyName="r"
              label="Back to Match"
              look="danger"
              onPress={() => void shop.act('unit-reworked', unit.id, { because: `failed: ${failed.join(', ')}` })}
            />
          )}
          <KeyButton keyName="u" label="Take back" onPress={() => void shop.takeBack()} />
          <KeyButton
            keyName=" "
            label={`Release it at ${sale.saleGrade}`}
            look="action"
            size="wide"
            isEnabled={isReady}
            onPress={() => void shop.act('unit-proven', unit.id, { cosmetic: look })}
          />
        </Box>
      </SidePanel>
    </Box>
  );
}
