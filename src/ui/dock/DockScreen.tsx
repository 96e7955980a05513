'use client';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { v4 as makeId } from 'uuid';
import type { ParcelLine, Unit } from '@/core/entities/entities';
import { findSerial } from '@/core/shared/serials';
import { costRules, type CostRule } from '@/core/shared/costRule';
import type { DockView, ParcelSummary } from '@/services/dock/readDock';
import { beep } from '@/ui/base/beep';
import { MoreRows, useGrowing } from '@/ui/base/growing';
import { Headline } from '@/ui/base/Headline';
import { Nothing } from '@/ui/base/Nothing';
import { Row, RowLink } from '@/ui/base/Row';
import { Section } from '@/ui/base/Section';
import { Tag } from '@/ui/base/Tag';
import { useShop } from '@/ui/facts/ShopProvider';
import { KeyButton } from '@/ui/keys/KeyButton';
import { CodeField } from '@/ui/keys/CodeField';
import { useScannedCode } from '@/ui/keys/KeysProvider';
import { useChosen } from '@/ui/keys/useChosen';
import { costRuleNames, stageNames } from '@/words/say/names';
import { ImportManifest } from './ImportManifest';
import { ParcelDifferences } from './ParcelDifferences';
import { ParcelForm } from './ParcelForm';
import { ParcelGives } from './ParcelGives';
import { lookUpSerial, saySerial } from './saySerial';
import { SupplierSays } from './SupplierSays';
import { useForecast } from './useForecast';
import * as words from '@/words/catalogue/dock';
import { day } from '@/words/format';

/** What came, against what we were told? */
export function DockScreen({ parcels, open, suppliers, today }: DockView & { readonly today: string }) {
  const { shown, ...more } = useGrowing(parcels, ({ parcel }) => parcel.id === open?.parcel.id);
  const [form, setForm] = useState<'parcel' | 'papers' | 'manifest' | null>(null);
  return (
    <Box
      display="grid"
      gridTemplateColumns={{ base: 'minmax(0, 1fr)', lg: '300px minmax(0, 1fr)' }}
      minH="calc(100vh - 84px)"
    >
      <Box borderEndWidth="1px" borderColor="rule" p="18px 0">
        <Box display="flex" justifyContent="space-between" alignItems="center" px="18px" mb="10px">
          <Box as="h2" textStyle="section">
            {words.parcels()}
          </Box>
          <KeyButton records keyName="n" label={words.newParcel()} size="small" onPress={() => setForm('parcel')} />
        </Box>
        <Box as="ul">
          {shown.map((summary) => (
            <ParcelRow key={summary.parcel.id} summary={summary} isOpen={summary.parcel.id === open?.parcel.id} />
          ))}
        </Box>
        <MoreRows {...more} />
      </Box>
      <Box p="24px 28px" minW="0">
        {open ? (
          <OpenParcel
            key={open.parcel.id}
            open={open}
            onImport={() => setForm('manifest')}
            onPapers={() => setForm('papers')}
          />
        ) : (
          <>
            <Headline lead={words.parcelLotThatArrivesTogether()}>{words.noParcelsYet()}</Headline>
            <KeyButton
              records
              keyName=" "
              label={words.addFirstParcel()}
              look="action"
              size="wide"
              onPress={() => setForm('parcel')}
            />
          </>
        )}
      </Box>
      {form === 'parcel' && (
        <ParcelForm
          today={today}
          known={parcels.map(({ parcel }) => parcel)}
          suppliers={suppliers}
          onClose={() => setForm(null)}
        />
      )}
      {form === 'papers' && open && (
        <ParcelForm
          today={today}
          suppliers={suppliers}
          parcel={open.parcel}
          known={parcels.map(({ parcel }) => parcel)}
          isEmpty={open.units.length === 0}
          onClose={() => setForm(null)}
        />
      )}
      {form === 'manifest' && open && <ImportManifest parcel={open.parcel} onClose={() => setForm(null)} />}
    </Box>
  );
}

function ParcelRow({
  summary: { parcel, tagged },
  isOpen,
}: {
  readonly summary: ParcelSummary;
  readonly isOpen: boolean;
}) {
  return (
    <li>
      <RowLink
        prefetch={false}
        href={`/dock?parcel=${parcel.id}`}
        state={isOpen ? 'now' : 'plain'}
        press="yes"
        px="18px"
        minH="58px"
        aria-current={isOpen ? 'true' : undefined}
      >
        <Box flex="1" minW="0">
          <Box fontWeight="600">{parcel.code}</Box>
          <Box textStyle="caption" opacity={0.85}>
            {parcel.supplier}
            <br />
            {day(parcel.receivedOn)}
          </Box>
        </Box>
        <Box as="span" fontWeight="700">
          {tagged}
        </Box>
      </RowLink>
    </li>
  );
}

function OpenParcel({
  open,
  onImport,
  onPapers,
}: {
  readonly open: NonNullable<DockView['open']>;
  readonly onImport: () => void;
  readonly onPapers: () => void;
}) {
  const router = useRouter();
  const { lines, differences, cost } = open;
  const seeds = useMemo(
    () => ({ models: [], parcels: [open.parcel], lines, units: open.units }),
    [open.parcel, lines, open.units],
  );
  const shop = useShop(seeds);
  const parcel = shop.parcels[0] ?? open.parcel;
  const { forecast, hasFailed } = useForecast(parcel.id, parcel.version, open.units.length);
  const [scanned, setScanned] = useState<string | null>(null);
  const [tagged, setTagged] = useState<ReadonlySet<number>>(new Set());
  const waiting = lines.filter(({ lineNo }) => !tagged.has(lineNo));
  const inBox = open.openCount - (lines.length - waiting.length);
  const { chosen, choose } = useChosen(waiting.map(({ id }) => id));
  const line = waiting.find(({ id }) => id === chosen);
  const paid = parcel.pricePaidCents + parcel.transportCents;

  const tag = (expected: Pick<ParcelLine, 'lineNo'> | null) => {
    const done = shop.act('unit-tagged', makeId(), { parcelId: parcel.id, lineNo: expected?.lineNo ?? null });
    if (done.ok && expected) setTagged((before) => new Set(before).add(expected.lineNo));
  };
  const tagScanned = (code: string, line: Pick<ParcelLine, 'lineNo' | 'model' | 'serial'>, isExact: boolean) => {
    tag(line);
    setScanned(isExact ? words.lineHere({ ...line, code }) : words.lineHereButListSays({ ...line, code }));
    beep(isExact ? 'well' : 'wrong');
  };
  const takeCode = (code: string) => {
    const match = findSerial(code, waiting);
    if (match) return tagScanned(code, match.entry, match.isExact);
    // Of a long list only the first lines are here: the server knows the rest.
    void lookUpSerial(code, parcel.id).then((known) => {
      if (known.here && !tagged.has(known.here.lineNo)) return tagScanned(code, known.here, known.here.isExact);
      beep('wrong');
      setScanned(saySerial(code, parcel.id, known));
    });
  };
  useScannedCode(takeCode);
  const nextRule = costRules[(costRules.indexOf(parcel.costRule) + 1) % costRules.length] as CostRule;
  const takeBack = () => {
    if (shop.takeBack().ok) setTagged(new Set());
  };

  return (
    <>
      <Headline
        lead={words.paidPlusTransport({
          pricePaidCents: parcel.pricePaidCents,
          transportCents: parcel.transportCents,
          cost: sayCost(cost),
        })}
      >
        {parcel.lineCount === 0
          ? words.noListYet({ code: parcel.code })
          : inBox === 0
            ? words.everyLineTagged({ code: parcel.code })
            : words.noUnitsDidNotArrive({
                waiting: inBox,
                lineCount: parcel.lineCount,
                isCounted: parcel.isCounted ? 'yes' : 'no',
              })}
      </Headline>
      <Box display="flex" gap="10px" flexWrap="wrap" mb="22px">
        <KeyButton
          records
          keyName=" "
          label={line ? words.tagLine({ lineNo: line.lineNo }) : words.tagUnit()}
          look="action"
          size="wide"
          onPress={() => tag(line ?? null)}
        />
        <KeyButton records keyName="x" label={words.tagExtraUnit()} onPress={() => tag(null)} />
        <KeyButton records keyName="i" label={words.importList()} onPress={onImport} />
        <KeyButton records keyName="u" label={words.undo()} onPress={takeBack} />
        <CodeField label={words.typeSerial()} onCode={takeCode} />
        <KeyButton records keyName="m" label={words.correctParcel()} onPress={onPapers} />
        <KeyButton
          records
          keyName="e"
          label={words.boxNotEmpty({ isCounted: parcel.isCounted ? 'yes' : 'no' })}
          isEnabled={parcel.lineCount > 0}
          onPress={() => void shop.act('parcel-counted', parcel.id, { isCounted: !parcel.isCounted })}
        />
        <KeyButton
          records
          keyName="c"
          label={words.splitCost({ costRule: costRuleNames[parcel.costRule] })}
          onPress={() => void shop.act('cost-spread', parcel.id, { rule: nextRule })}
        />
        <KeyButton keyName="g" label={words.goToTriage()} onPress={() => router.push('/triage')} />
      </Box>
      <Box role="status" minH="24px" mb="8px" textStyle="note" color="action">
        {scanned}
      </Box>
      <Box
        display="grid"
        gridTemplateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 1.2fr) minmax(0, 1fr)' }}
        gap="32px"
      >
        <LinesInBox lineCount={parcel.lineCount} inBox={inBox} waiting={waiting} chosen={chosen} onChoose={choose} />
        <Box display="grid" gap="24px" alignContent="start">
          <ParcelGives forecast={forecast} hasFailed={hasFailed} paidCents={paid} />
          {parcel.lineCount > 0 && <ParcelDifferences parcel={parcel} differences={differences} />}
          <SupplierSays supplier={parcel.supplier} record={open.supplier} />
          <LastTagged units={shop.units} />
        </Box>
      </Box>
    </>
  );
}

const sayLines = (lineCount: number, inBox: number, shown: number): string | undefined =>
  shown < inBox ? words.firstLines({ shown, inBox }) : lineCount > 0 ? words.asOnSuppliersList() : undefined;

/** The lines of the list that nothing was tagged for yet. */
function LinesInBox({
  lineCount,
  inBox,
  waiting,
  chosen,
  onChoose,
}: {
  readonly lineCount: number;
  /** All of them; those that wait here are the first. */
  readonly inBox: number;
  readonly waiting: readonly ParcelLine[];
  readonly chosen: string | undefined;
  readonly onChoose: (id: string) => void;
}) {
  return (
    <Section title={words.inBox()} note={sayLines(lineCount, inBox, waiting.length)}>
      {waiting.length === 0 && <Nothing>{words.importSuppliersListOrTag({ lineCount })}</Nothing>}
      <Box as="ul" maxH="460px" overflowY="auto" tabIndex={0} aria-label={words.linesList()}>
        {waiting.map((entry) => (
          <Row
            key={entry.id}
            state={entry.id === chosen ? 'chosen' : 'plain'}
            press="yes"
            onClick={() => onChoose(entry.id)}
          >
            <Box as="span" w="34px" fontFamily="mono" color="inkMuted" textAlign="end">
              {entry.lineNo}
            </Box>
            <Box flex="1" minW="0">
              {entry.maker} {entry.model}
              <Box as="span" textStyle="note" color="inkMuted" ms="8px">
                {entry.note}
              </Box>
            </Box>
            <Box as="span" fontFamily="mono" textStyle="note">
              {entry.serial}
            </Box>
          </Row>
        ))}
      </Box>
    </Section>
  );
}

function LastTagged({ units }: { readonly units: readonly Unit[] }) {
  return (
    <Section title={words.lastTagged()} note={words.newestFirst()}>
      {units.length === 0 && <Nothing>{words.noneYet()}</Nothing>}
      <Box as="ul" display="grid" gap="8px" pt="10px">
        {units.map((unit) => (
          <Box as="li" key={unit.id} display="flex" gap="10px" alignItems="center">
            <Tag code={unit.tag} fact={stageNames[unit.stage]} href={`/t/${unit.tag}`} />
            <a
              href={`/api/labels/${unit.tag}.pdf`}
              target="_blank"
              rel="noreferrer"
              aria-label={words.labelFor({ tag: unit.tag })}
            >
              <Box as="span" textStyle="note" color="action" textDecoration="underline">
                {words.label()}
              </Box>
            </a>
          </Box>
        ))}
      </Box>
    </Section>
  );
}

/** What a unit has cost by the parcel’s rule. */
function sayCost({ leastCents, mostCents, units }: NonNullable<DockView['open']>['cost']): string {
  if (units === 0) return words.noUnitYetToSplit();
  return words.toPerUnitUnit({ isRange: leastCents === mostCents ? 'no' : 'yes', leastCents, mostCents, count: units });
}
