'use client';
import { money } from '@/words/format';
import { Box } from '@chakra-ui/react';
import { useMemo, useState } from 'react';
import type { Part, Unit } from '@/core/entities/entities';
import { openProofs } from '@/core/sale/openProofs';
import { askedOfUnit } from '@/core/selfTest/asked';
import { gradesHeld, predictSale, type SaleLimit } from '@/core/sale/predictSale';
import { modelAmong, type Model } from '@/core/procedure/model';
import { saleGrades, type SaleGrade } from '@/core/shared/grades';
import type { ProveView } from '@/services/prove/readProve';
import { Caution } from '@/ui/base/Caution';
import { Headline } from '@/ui/base/Headline';
import { Nothing } from '@/ui/base/Nothing';
import { Punches } from '@/ui/base/Punches';
import { Queue } from '@/ui/base/Queue';
import { Section } from '@/ui/base/Section';
import { SidePanel } from '@/ui/base/SidePanel';
import { useShop, type Shop } from '@/ui/facts/ShopProvider';
import { useChosenThing } from '@/ui/facts/useChosenThing';
import { NextPlace } from '@/ui/line/NextPlace';
import { KeyButton } from '@/ui/keys/KeyButton';
import { SelfTestSection } from '@/ui/selfTest/SelfTestSection';
import { QuickTests } from '@/ui/triage/QuickTests';
import { testNames } from '@/words/say/names';
import { useHouseRules } from '@/ui/rules/RulesProvider';
import * as texts from '@/words/catalogue/prove';

/** May this be sold? Tests, wipe, look: then its grade and its price. */
export function ProveScreen({ view, first }: { readonly view: ProveView; readonly first: string | undefined }) {
  const seeds = useMemo(() => ({ models: view.models, units: view.units, parts: view.parts }), [view]);
  const shop = useShop(seeds);
  const waiting = shop.units.filter(({ stage }) => stage === 'prove');
  const { chosen, choose } = useChosenThing(
    waiting.map(({ id }) => id),
    view.units.find(({ tag }) => tag === first)?.id,
  );
  const unit = waiting.find(({ id }) => id === chosen);
  const model = modelAmong(view.models, unit);
  return (
    <Box
      display="grid"
      gridTemplateColumns={{ base: 'minmax(0, 1fr)', lg: '180px minmax(0, 1fr)', xl: '220px minmax(0, 1fr)' }}
      minH="calc(100vh - 84px)"
    >
      <Queue
        label={texts.unitsToProve()}
        title={texts.unitToProve({ waiting: waiting.length })}
        entries={waiting.map((entry) => ({
          id: entry.id,
          tag: entry.tag,
          words: modelAmong(view.models, entry)?.name ?? '',
        }))}
        chosen={chosen}
        onChoose={choose}
      />
      {unit && model ? (
        <ProveOneUnit key={unit.id} unit={unit} model={model} shop={shop} />
      ) : (
        <Box p="28px">
          <Headline lead={texts.unitsComeHereFromBench()}>{texts.nothingToProve()}</Headline>
          <Nothing>{texts.releasedUnitsAreAtSend()}</Nothing>
          <Box display="flex" gap="10px">
            <NextPlace stage="send" />
            <NextPlace stage="match" isMain={false} />
            <KeyButton records keyName="u" label={texts.undoLastRelease()} onPress={() => void shop.takeBack()} />
          </Box>
        </Box>
      )}
    </Box>
  );
}

function ProveOneUnit({ unit, model, shop }: { readonly unit: Unit; readonly model: Model; readonly shop: Shop }) {
  const rules = useHouseRules();
  const [judged, setLook] = useState<SaleGrade | null>(null);
  const open = openProofs(model, unit);
  const failed = model.tests.filter((test) => unit.proof[test] === 'fault');
  const fitted = shop.parts.filter((part: Part) => Object.values(unit.fitted).includes(part.id));
  const held = gradesHeld(unit.fitted, (id) => fitted.find((part) => part.id === id)?.grade);
  // Until somebody has looked, the look is what was promised.
  const look = judged ?? predictSale(model, unit, { held }, rules).grade;
  const sale = predictSale(model, unit, { held, look }, rules);
  const isReady = open.length === 0 && unit.isWiped;
  return (
    <Box
      display="grid"
      gridTemplateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) 280px', xl: 'minmax(0, 1fr) 320px' }}
    >
      <Box p="20px 26px" minW="0" display="flex" flexDirection="column" gap="22px">
        <Headline
          lead={texts.serial({
            maker: model.maker,
            name: model.name,
            notRead: unit.serial ?? texts.notRead(),
            nothingWasChangedInIt:
              fitted.length > 0
                ? texts.replaced({
                    partRef: fitted.map(
                      (part) => model.parts.find(({ id }) => id === part.partRef)?.name ?? part.partRef,
                    ),
                  })
                : texts.nothingWasReplaced(),
          })}
        >
          {failed.length > 0
            ? texts.failed({ tag: unit.tag, failed: failed.map((test) => testNames[test]) })
            : open.length > 0
              ? texts.testToGo({ tag: unit.tag, open: open.length })
              : unit.isWiped
                ? texts.mayBeSoldAt({ tag: unit.tag, grade: sale.grade })
                : texts.worksWipeThenMayBe({ tag: unit.tag })}
        </Headline>
        <TestsAndData {...{ unit, model, shop, open }} />
        <Section title={texts.cosmeticGradeUnderLamp()} note={texts.asBuyerSees()}>
          <Box display="flex" flexWrap="wrap" gap="8px" pt="12px">
            {saleGrades.map((grade) => (
              <KeyButton
                records
                key={grade}
                keyName={grade.toLowerCase()}
                label={texts.cosmeticGrade({ grade })}
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
        <Section title={texts.saleGrade()}>
          <Box py="14px">
            <Punches grade={sale.grade} size="large" />
          </Box>
          <Box color="inkMuted">{sale.grade === 'A' ? texts.nothingLimits() : sayLimit(sale.limiting)}</Box>
          <Box textStyle="figure" mt="12px">
            {money(sale.priceCents)}
          </Box>
        </Section>
        <Box mt="auto" pt="8px" display="grid" gap="10px" position={{ lg: 'sticky' }} bottom="20px" bg="sheet">
          {failed.length > 0 && (
            <KeyButton
              records
              keyName="r"
              label={texts.backToMatch()}
              look="danger"
              onPress={() =>
                void shop.act('unit-reworked', unit.id, {
                  because: texts.failedTests({ failed: failed.map((test) => testNames[test]) }),
                })
              }
            />
          )}
          <KeyButton records keyName="u" label={texts.undo()} onPress={() => void shop.takeBack()} />
          <KeyButton
            records
            keyName=" "
            label={texts.releaseAt({ grade: sale.grade })}
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

/** Whether everything works, and whether nothing of its owner's is left. */
function TestsAndData({
  unit,
  model,
  shop,
  open,
}: {
  readonly unit: Unit;
  readonly model: Model;
  readonly shop: Shop;
  /** Tests that are still to be passed. */
  readonly open: readonly unknown[];
}) {
  return (
    <>
      {unit.disposition === 'as-is' ? (
        <Caution tone="waiting" what={texts.soldAs()}>
          {texts.untestedGradeDOnlyHas()}
        </Caution>
      ) : (
        <Section
          title={texts.tests()}
          note={texts.ofPassed({ open: model.tests.length - open.length, tests: model.tests.length })}
        >
          <Box pt="12px">
            <QuickTests
              tests={model.tests}
              results={unit.proof}
              onNote={(test, result) => void shop.act('proof-noted', unit.id, { test, result })}
            />
          </Box>
        </Section>
      )}
      {unit.disposition !== 'as-is' && (
        <SelfTestSection unitId={unit.id} part={null} version={unit.version} asked={askedOfUnit(model)} />
      )}
      <Section title={texts.data()}>
        <Box pt="12px" display="flex" gap="14px" alignItems="center">
          {unit.isWiped ? (
            <Caution tone="sound" what={texts.wiped()}>
              {texts.recordedWithNameAndTime()}
            </Caution>
          ) : (
            <KeyButton
              records
              keyName="w"
              label={texts.markAsWiped()}
              look="outline"
              onPress={() => void shop.act('wipe-recorded', unit.id, { method: 'device-erase' })}
            />
          )}
        </Box>
      </Section>
    </>
  );
}

function sayLimit(limiting: SaleLimit): string {
  if (limiting.is === 'slot') return texts.limitedBy({ name: limiting.name });
  return texts.limitedToDSoldAs({ isLimitingAs: limiting.is === 'as-is' ? 'yes' : 'no' });
}
