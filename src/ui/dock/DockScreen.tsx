'use client';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { v4 as makeId } from 'uuid';
import type { ParcelLine } from '@/core/bench/entities';
import { findSerial } from '@/core/shared/serials';
import { costRules, type CostRule } from '@/core/shared/costRule';
import { money } from '@/core/shared/money';
import type { DockView, ParcelSummary } from '@/services/dock/readDock';
import { beep } from '@/ui/base/beep';
import { Headline } from '@/ui/base/Headline';
import { Nothing } from '@/ui/base/Nothing';
import { Row, RowLink } from '@/ui/base/Row';
import { Section } from '@/ui/base/Section';
import { Tag } from '@/ui/base/Tag';
import { useShop } from '@/ui/facts/ShopProvider';
import { KeyButton } from '@/ui/keys/KeyButton';
import { useScannedCode } from '@/ui/keys/KeysProvider';
import { useChosen } from '@/ui/keys/useChosen';
import { sayCount, startCount } from '@/ui/words/amounts';
import { costRuleNames, stageNames } from '@/ui/words/names';
import { ImportManifest } from './ImportManifest';
import { NewParcel } from './NewParcel';
import { ParcelDifferences } from './ParcelDifferences';
import { ParcelGives } from './ParcelGives';
import { lookUpSerial, saySerial } from './saySerial';
import { SupplierSays } from './SupplierSays';
import { useForecast } from './useForecast';

/** What came, against what we were told? */
export function DockScreen({ parcels, open, today }: DockView & { readonly today: string }) {
  const [form, setForm] = useState<'parcel' | 'manifest' | null>(null);
  return (
    <Box display="grid" gridTemplateColumns={{ base: '1fr', lg: '300px minmax(0, 1fr)' }} minH="calc(100vh - 84px)">
      <Box borderEndWidth="1px" borderColor="rule" p="18px 0">
        <Box display="flex" justifyContent="space-between" alignItems="center" px="18px" mb="10px">
          <Box as="h2" textStyle="section">
            Parcels
          </Box>
          <KeyButton keyName="n" label="New parcel" size="small" onPress={() => setForm('parcel')} />
        </Box>
        <Box as="ul">
          {parcels.map((summary) => (
            <ParcelRow key={summary.parcel.id} summary={summary} isOpen={summary.parcel.id === open?.parcel.id} />
          ))}
        </Box>
      </Box>
      <Box p="24px 28px" minW="0">
        {open ? (
          <OpenParcel key={open.parcel.id} open={open} onImport={() => setForm('manifest')} />
        ) : (
          <>
            <Headline lead="A parcel is a lot received together: its price, its list, its units.">
              No parcel yet
            </Headline>
            <KeyButton
              keyName=" "
              label="Make the first parcel"
              look="action"
              size="wide"
              onPress={() => setForm('parcel')}
            />
          </>
        )}
      </Box>
      {form === 'parcel' && (
        <NewParcel
          today={today}
          suppliers={[...new Set(parcels.map(({ parcel }) => parcel.supplier))]}
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
            {parcel.receivedOn}
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
}: {
  readonly open: NonNullable<DockView['open']>;
  readonly onImport: () => void;
}) {
  const router = useRouter();
  const { lines, differences, cost } = open;
  const seeds = useMemo(
    () => ({ models: [], parcels: [open.parcel], lines, units: open.units }),
    [open.parcel, lines, open.units],
  );
  const shop = useShop(seeds);
  const parcel = shop.parcels[0] ?? open.parcel;
  const { forecast, hasFailed } = useForecast(parcel.id, parcel.version + open.units.length);
  const [scanned, setScanned] = useState<string | null>(null);
  const [tagged, setTagged] = useState<ReadonlySet<number>>(new Set());
  const waiting = lines.filter(({ lineNo }) => !tagged.has(lineNo));
  const { chosen, choose } = useChosen(waiting.map(({ id }) => id));
  const line = waiting.find(({ id }) => id === chosen);
  const paid = parcel.pricePaidCents + parcel.transportCents;

  const tag = (expected: ParcelLine | null) => {
    const done = shop.act('unit-tagged', makeId(), { parcelId: parcel.id, lineNo: expected?.lineNo ?? null });
    if (done.ok && expected) setTagged((before) => new Set(before).add(expected.lineNo));
  };
  useScannedCode((code) => {
    const match = findSerial(code, waiting);
    if (!match) {
      beep('wrong');
      return void lookUpSerial(code).then((known) => setScanned(saySerial(code, parcel.id, known)));
    }
    tag(match.entry);
    setScanned(
      match.isExact
        ? `Line ${match.entry.lineNo} is here: ${match.entry.model}, ${code}.`
        : `Line ${match.entry.lineNo} is here, but its list says ${match.entry.serial}: look at ${code} once more.`,
    );
    beep(match.isExact ? 'well' : 'wrong');
  });
  const nextRule = costRules[(costRules.indexOf(parcel.costRule) + 1) % costRules.length] as CostRule;
  const takeBack = () => {
    if (shop.takeBack().ok) setTagged(new Set());
  };

  return (
    <>
      <Headline
        lead={`Paid ${money(parcel.pricePaidCents)} and ${money(parcel.transportCents)} to bring it${sayCost(cost)}`}
      >
        {parcel.lineCount === 0
          ? `${parcel.code}: no list yet`
          : waiting.length === 0
            ? `${parcel.code}: everything on the list is tagged`
            : `${startCount(waiting.length, 'unit')} of ${parcel.lineCount} ${parcel.isCounted ? 'did not come' : 'still in the box'}`}
      </Headline>
      <Box display="flex" gap="10px" flexWrap="wrap" mb="22px">
        <KeyButton
          keyName=" "
          label={line ? `Tag line ${line.lineNo}` : 'Tag a unit'}
          look="action"
          size="wide"
          onPress={() => tag(line ?? null)}
        />
        <KeyButton keyName="x" label="Tag one off the list" onPress={() => tag(null)} />
        <KeyButton keyName="i" label="Import the list" onPress={onImport} />
        <KeyButton keyName="u" label="Take back" onPress={takeBack} />

        <KeyButton
          keyName="e"
          label={parcel.isCounted ? 'The box is not empty' : 'The box is empty'}
          isEnabled={parcel.lineCount > 0}
          onPress={() => void shop.act('parcel-counted', parcel.id, { isCounted: !parcel.isCounted })}
        />
        <KeyButton
          keyName="c"
          label={`Cost: ${costRuleNames[parcel.costRule]}`}
          onPress={() => void shop.act('cost-spread', parcel.id, { rule: nextRule })}
        />
        <KeyButton keyName="g" label="Go to triage" onPress={() => router.push('/triage')} />
      </Box>
      <Box role="status" minH="24px" mb="8px" textStyle="note" color="action">
        {scanned}
      </Box>
      <Box display="grid" gridTemplateColumns={{ base: '1fr', lg: 'minmax(0, 1.2fr) minmax(0, 1fr)' }} gap="32px">
        <Section title="In the box" note={parcel.lineCount > 0 ? 'by the supplier’s list' : undefined}>
          {waiting.length === 0 && (
            <Nothing>
              {parcel.lineCount === 0
                ? 'Import the supplier’s list, or tag units as they come out of the box.'
                : 'All tagged. Go to triage.'}
            </Nothing>
          )}
          <Box as="ul" maxH="460px" overflowY="auto" tabIndex={0} aria-label="Lines of the list">
            {waiting.map((entry) => (
              <Row
                key={entry.id}
                state={entry.id === chosen ? 'chosen' : 'plain'}
                press="yes"
                onClick={() => choose(entry.id)}
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
        <Box display="grid" gap="24px" alignContent="start">
          <ParcelGives forecast={forecast} hasFailed={hasFailed} paidCents={paid} />
          {parcel.lineCount > 0 && <ParcelDifferences parcel={parcel} differences={differences} />}
          <SupplierSays supplier={parcel.supplier} record={open.supplier} />
          <Section title="Tagged last" note="newest first">
            {shop.units.length === 0 && <Nothing>None yet.</Nothing>}
            <Box as="ul" display="grid" gap="8px" pt="10px">
              {shop.units.map((unit) => (
                <Box as="li" key={unit.id} display="flex" gap="10px" alignItems="center">
                  <Tag code={unit.tag} fact={stageNames[unit.stage]} href={`/t/${unit.tag}`} />
                  <a
                    href={`/api/labels/${unit.tag}.pdf`}
                    target="_blank"
                    rel="noreferrer"
                    aria-label={`Label of ${unit.tag}`}
                  >
                    <Box as="span" textStyle="note" color="action" textDecoration="underline">
                      label
                    </Box>
                  </a>
                </Box>
              ))}
            </Box>
          </Section>
        </Box>
      </Box>
    </>
  );
}

/** What a unit has cost by the parcel’s rule. */
function sayCost({ leastCents, mostCents, units }: NonNullable<DockView['open']>['cost']): string {
  if (units === 0) return ': no unit yet to spread it over.';
  const each = leastCents === mostCents ? money(leastCents) : `${money(leastCents)} to ${money(mostCents)}`;
  return `: ${each} a unit over ${sayCount(units, 'unit')}.`;
}
