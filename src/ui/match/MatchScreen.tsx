'use client';
import { money } from '@/words/format';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { Part, Unit } from '@/core/entities/entities';
import { slotNeeds } from '@/core/sale/slots';
import { withPartner } from '@/core/sale/boundParts';
import type { OnItsWay } from '@/core/matching/onItsWay';
import { isOffered, rankForSlot } from '@/core/matching/rankForSlot';
import { bestOnShelf, gradesHeld, predictSale } from '@/core/sale/predictSale';
import { useHouseRules } from '@/ui/rules/RulesProvider';
import { modelAmong, type Model } from '@/core/procedure/model';
import type { PartCategory } from '@/core/procedure/vocabulary';
import type { Grade, SaleGrade } from '@/core/shared/grades';
import type { MatchView } from '@/services/match/readMatch';
import { MoreRows, useGrowing } from '@/ui/base/growing';
import { Headline } from '@/ui/base/Headline';
import { Nothing } from '@/ui/base/Nothing';
import { Punches } from '@/ui/base/Punches';
import { late, useLate } from '@/ui/base/late';
import { ScrollBox } from '@/ui/base/ScrollBox';
import { Table } from '@/ui/base/Table';
import { useShop, type Shop } from '@/ui/facts/ShopProvider';
import { useChosenThing } from '@/ui/facts/useChosenThing';
import { NextPlace } from '@/ui/line/NextPlace';
import { KeyButton } from '@/ui/keys/KeyButton';
import { useKey } from '@/ui/keys/KeysProvider';
import { SlotCell } from './SlotCell';
import { SlotOffer } from './SlotOffer';
import { useOffered } from './useOffered';
import { categoryNames } from '@/words/say/names';
import * as words from '@/words/catalogue/match';

/** The planner says what moves to an assembly: it comes after the units and their slots are drawn. */
const moves = late(async () => (await import('@/core/teardown/worth/movesOf')).movesOf);

export interface MatchRow {
  readonly unit: Unit;
  readonly model: Model;
  readonly needs: ReturnType<typeof slotNeeds>;
  readonly held: Readonly<Record<string, Grade>>;
  readonly open: number;
}

/** Who is rebuilt with what? Units and their slots; for the slot that is chosen, what fits, best first. */
export function MatchScreen({ view, first }: { readonly view: MatchView; readonly first: string | undefined }) {
  const [asked, setAsked] = useState<string | undefined>(undefined);
  const offered = useOffered(view, asked);
  // The whole model of the chosen unit goes before its outline.
  const models = useMemo(() => [...(offered?.models ?? []), ...view.models], [view, offered]);
  const seeds = useMemo(
    () => ({ models, units: view.units, parts: together(view.parts, offered?.parts ?? []) }),
    [view, models, offered],
  );
  const shop = useShop(seeds);
  const partOf = useMemo(() => new Map(shop.parts.map((part) => [part.id, part])), [shop]);
  const rows = useMemo(
    () => shop.units.filter(({ stage }) => stage === 'match').flatMap((unit) => rowOf(unit, models, partOf)),
    [shop, models, partOf],
  );
  // Where all parts are here, what was just taken is off the shelf already.
  const shelf = useMemo(
    () => (view.offered === 'all' ? bestOnShelf(shop.parts.filter(({ place }) => place === 'shelf')) : view.shelf),
    [shop, view],
  );
  const { chosen, choose } = useChosenThing(
    rows.map(({ unit }) => unit.id),
    view.units.find(({ tag }) => tag === first)?.id,
  );
  const row = rows.find(({ unit }) => unit.id === chosen);
  if (row && row.unit.tag !== asked) setAsked(row.unit.tag);
  const router = useRouter();
  const { shown, ...more } = useGrowing(rows, ({ unit }) => unit.id === chosen);
  const ready = rows.filter(({ open }) => open === 0).length;
  const categories = [...new Set(rows.flatMap(({ needs }) => needs.map(({ part }) => part.category)))];
  return (
    <Box
      display="grid"
      gridTemplateColumns="minmax(0, 1fr)"
      gridTemplateRows="minmax(0, 1fr) auto"
      h={{ lg: 'calc(100vh - 84px)' }}
      minH={{ base: 'calc(100vh - 84px)', lg: '0' }}
    >
      <ScrollBox label={words.unitsToBuild()} p="24px 28px" minH="0" overflowX="auto">
        <Headline
          lead={words.onlyPartsThatFitAre()}
          aside={<KeyButton keyName="g" label={words.planOfAllUnits()} onPress={() => router.push('/match/plan')} />}
        >
          {rows.length === 0
            ? words.noUnitsWaitingForParts()
            : words.noUnitsToBuildWith({ rows: rows.length, ready: ready === 0 ? 'none' : ready })}
        </Headline>
        {rows.length === 0 ? (
          <>
            <Nothing>{words.unitsDecidedAsBuildsAt()}</Nothing>
            <NextPlace stage="triage" />
          </>
        ) : (
          <Table>
            <thead>
              <tr>
                <th>{words.unit()}</th>
                {categories.map((category) => (
                  <th key={category}>{categoryNames[category]}</th>
                ))}
                <th>{words.sellsAt()}</th>
                <th data-figure>{words.price()}</th>
              </tr>
            </thead>
            <tbody>
              {shown.map((entry) => (
                <UnitRow
                  key={entry.unit.id}
                  row={entry}
                  {...{ partOf, shelf }}
                  categories={categories}
                  isChosen={entry.unit.id === chosen}
                  onChoose={() => choose(entry.unit.id)}
                />
              ))}
            </tbody>
          </Table>
        )}
        <MoreRows {...more} />
        {rows.length > 0 && (
          <Box textStyle="caption" color="inkMuted" mt="10px">
            {words.plainLetterUnitsOwnPart()}
          </Box>
        )}
      </ScrollBox>
      {row && (
        <MatchOneUnit
          key={row.unit.id}
          coming={view.coming}
          {...{ row, shop, shelf, partOf }}
          isLoading={offered === null}
        />
      )}
    </Box>
  );
}

type PartsById = ReadonlyMap<string, Part>;

/** Each once: what is set aside may have been on offer a moment ago. */
const together = (parts: readonly Part[], more: readonly Part[]): readonly Part[] => {
  const known = new Set(parts.map(({ id }) => id));
  return [...parts, ...more.filter(({ id }) => !known.has(id))];
};

function rowOf(unit: Unit, models: readonly Model[], partOf: PartsById): MatchRow[] {
  const model = modelAmong(models, unit);
  if (!model) return [];
  const needs = slotNeeds(model, unit);
  const held = gradesHeld(unit.assigned, (partId) => partOf.get(partId)?.grade);
  return [
    {
      unit,
      model,
      needs,
      held,
      open: needs.filter(({ part, isNeeded }) => isNeeded && !unit.assigned[part.id]).length,
    },
  ];
}

function UnitRow({
  row,
  partOf,
  shelf,
  categories,
  isChosen,
  onChoose,
}: {
  readonly row: MatchRow;
  readonly partOf: PartsById;
  readonly shelf: Shelf;
  readonly categories: readonly PartCategory[];
  readonly isChosen: boolean;
  readonly onChoose: () => void;
}) {
  const { unit, model, needs, held } = row;
  const rules = useHouseRules();
  const { grade: sellsAt, priceCents } = predictSale(model, unit, { held, shelf }, rules);
  const line = useRef<HTMLTableRowElement>(null);
  useEffect(() => {
    if (isChosen) line.current?.scrollIntoView({ block: 'nearest' });
  }, [isChosen]);
  return (
    <tr ref={line} data-chosen={isChosen ? '' : undefined} onClick={onChoose}>
      <td>
        <Box as="span" textStyle="code" whiteSpace="nowrap">
          {unit.tag}
        </Box>{' '}
        <Box as="span" color="inkMuted">
          {model.name}
        </Box>
      </td>
      {categories.map((category) => (
        <td key={category}>
          <Box display="flex" gap="8px" alignItems="center">
            {needs
              .filter(({ part }) => part.category === category)
              .map((need) => (
                <SlotCell
                  key={need.part.id}
                  need={need}
                  part={partOf.get(unit.assigned[need.part.id] ?? '')}
                  sellsAt={sellsAt}
                />
              ))}
          </Box>
        </td>
      ))}
      <td>
        <Punches grade={sellsAt} />
      </td>
      <td data-figure>{money(priceCents)}</td>
    </tr>
  );
}

/** The slots of the chosen unit: those that need a part first, then those that could take a better one. */
function MatchOneUnit({
  row,
  shop,
  shelf,
  partOf,
  isLoading,
  coming,
}: {
  readonly row: MatchRow;
  readonly shop: Shop;
  readonly shelf: Shelf;
  readonly partOf: PartsById;
  readonly isLoading: boolean;
  readonly coming: readonly OnItsWay[];
}) {
  const router = useRouter();
  const { unit, model, needs, held } = row;
  const rules = useHouseRules();
  const movesOf = useLate(moves);
  const slots = useMemo(() => [...needs].sort((a, b) => Number(b.isNeeded) - Number(a.isNeeded)), [needs]);
  const firstOpen = slots.findIndex(({ part, isNeeded }) => isNeeded && !unit.assigned[part.id]);
  const [wanted, setWanted] = useState<number | null>(null);
  const at = wanted ?? Math.max(0, firstOpen);
  const need = slots[at];
  const move = (by: number) => setWanted((at + by + slots.length) % slots.length);
  useKey('ArrowRight', words.nextSlot(), () => move(1));
  useKey('ArrowLeft', words.previousSlot(), () => move(-1));
  const offers = useMemo(
    () =>
      need
        ? rankForSlot(
            model,
            unit,
            need.part.id,
            withPartner(
              model,
              unit,
              need.part.id,
              shop.parts.filter((part) => isOffered(part, unit)),
              (id) => partOf.get(id),
            ),
            { held, shelf },
            rules,
            // An outline does not say what moves.
            (!isLoading && movesOf) || undefined,
          )
        : [],
    [model, unit, need, shop.parts, held, shelf, rules, movesOf, isLoading, partOf],
  );
  const assign = (partId: string) => {
    if (!need) return;
    if (unit.assigned[need.part.id]) shop.act('part-released', unit.id, { slot: need.part.id });
    if (shop.act('part-assigned', unit.id, { slot: need.part.id, partId }).ok) setWanted(null);
  };
  const goesTo = words.theBench({ isUnitAssigned: Object.keys(unit.assigned).length > 0 ? 'yes' : 'no' });
  return (
    <Box
      as="section"
      aria-label={words.partsFor({ tag: unit.tag })}
      bg="sheet"
      borderTopWidth="3px"
      borderColor="action"
      p="16px 28px 4px"
      maxH={{ lg: '62vh' }}
      overflowY={{ lg: 'auto' }}
    >
      <Box display="flex" gap="6px" flexWrap="wrap" mb="12px" role="group" aria-label={words.slots()}>
        {slots.map((slot, index) => (
          <Box
            as="button"
            key={slot.part.id}
            aria-pressed={index === at}
            onClick={() => setWanted(index)}
            px="10px"
            py="5px"
            borderRadius="soft"
            borderWidth="1px"
            borderColor={index === at ? 'action' : 'rule'}
            bg={index === at ? 'actionSoft' : 'transparent'}
            fontWeight={slot.isNeeded ? '700' : '400'}
            cursor="pointer"
          >
            {slot.part.name}
            {slot.isNeeded && !unit.assigned[slot.part.id] && ' ○'}
            {unit.assigned[slot.part.id] && ' ●'}
          </Box>
        ))}
      </Box>
      {need && (
        <SlotOffer
          unit={unit}
          need={need}
          {...{ offers, isLoading }}
          coming={coming.find((own) => own.for === unit.tag && own.interchange === need.part.interchange)}
          assigned={partOf.get(unit.assigned[need.part.id] ?? '')}
          onAssign={assign}
          onRelease={() => void shop.act('part-released', unit.id, { slot: need.part.id })}
        />
      )}
      <Box
        display="flex"
        flexWrap={{ base: 'wrap', sm: 'nowrap' }}
        gap="8px"
        mt="4px"
        py="8px"
        position={{ sm: 'sticky' }}
        bottom="0"
        bg="sheet"
        data-main
      >
        <KeyButton
          records
          keyName=" "
          label={row.open === 0 ? words.sendTo({ tag: unit.tag, goesTo }) : words.partStillNeeded({ open: row.open })}
          look="action"
          isEnabled={row.open === 0 && !isLoading}
          onPress={() => void shop.act('unit-matched', unit.id, {})}
        />
        <KeyButton records keyName="u" label={words.undo()} onPress={() => void shop.takeBack()} />
        <KeyButton keyName="r" label={words.rebuilds()} onPress={() => router.push('/rebuild')} />
      </Box>
    </Box>
  );
}

type Shelf = Readonly<Record<string, { readonly grade: SaleGrade }>>;
