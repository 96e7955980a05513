'use client';
import * as counts from '@/words/catalogue/counts';
import { capital, list, money } from '@/words/format';
import { sayOrigin } from '@/words/say/sayOrigin';
import { limitingName, sayReading } from '@/words/say/attributes';
import { sayCell } from '@/words/say/sayCell';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import type { Part, Unit } from '@/core/entities/entities';
import type { ArchivedPart, ThingView } from '@/services/things/readThing';
import { Caution } from '@/ui/base/Caution';
import { Headline } from '@/ui/base/Headline';
import { Punches } from '@/ui/base/Punches';
import { Section } from '@/ui/base/Section';
import { Tag } from '@/ui/base/Tag';
import { KeyButton } from '@/ui/keys/KeyButton';
import { PhotoStrip } from '@/ui/photos/PhotoStrip';
import { FactList } from '@/ui/today/FactList';
import { findingNames, partStateNames, placeNames, sayStage, testNames } from '@/words/say/names';
import type { DeviceTest } from '@/core/procedure/vocabulary';
import * as words from '@/words/catalogue/things';
import { UnitMoneyTable } from './UnitMoneyTable';
import { MendPart, MendUnit } from './Mend';

/** What a scanned tag stands for: what it is, where it is, what to do with it, and all that happened to it. */
export function ThingScreen({ thing }: { readonly thing: ThingView }) {
  const router = useRouter();
  if (thing.kind === 'shipment') {
    return (
      <Box p="28px" maxW="900px">
        <Headline lead={words.everythingBelowWasSentTogether()}>
          {words.shipmentUnit({ shipment: thing.shipment, units: thing.units.length })}
        </Headline>
        <KeyButton
          keyName="p"
          label={words.packingListPdf()}
          look="outline"
          onPress={() => window.open(`/api/packing-lists/${thing.shipment}.pdf`)}
        />
        <Box as="ul" mt="20px" display="grid" gap="8px">
          {thing.units.map((unit) => (
            <li key={unit.id}>
              <Tag code={unit.tag} fact={counts.saleGrade({ grade: unit.saleGrade ?? '' })} href={`/t/${unit.tag}`} />
            </li>
          ))}
        </Box>
      </Box>
    );
  }
  const tag = thing.kind === 'unit' ? thing.unit.tag : thing.part.tag;
  const action = thing.kind === 'unit' ? unitAction(thing.unit) : partAction(thing.part);
  return (
    <Box
      p="28px"
      display="grid"
      gridTemplateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) 400px', xl: 'minmax(0, 1fr) 460px' }}
      gap="32px"
    >
      <Box minW="0">
        {thing.kind === 'unit' ? <UnitFacts {...thing} /> : <PartFacts {...thing} />}
        <Box display="flex" gap="10px" mt="20px" flexWrap="wrap">
          {action && (
            <KeyButton
              keyName=" "
              label={action.label}
              look="action"
              size="wide"
              onPress={() => router.push(action.path)}
            />
          )}
          {thing.kind === 'unit' ? <MendUnit unit={thing.unit} /> : <MendPart part={thing.part} />}
          <KeyButton keyName="p" label={words.labelPdf()} onPress={() => window.open(`/api/labels/${tag}.pdf`)} />
          <a href={`/api/labels/${tag}.svg`} target="_blank" rel="noreferrer">
            <Box as="span" display="inline-flex" alignItems="center" h="48px" color="action" textDecoration="underline">
              {words.labelAsSvg()}
            </Box>
          </a>
        </Box>
        {thing.kind === 'unit' && thing.money && <UnitMoneyTable money={thing.money} />}
        {thing.kind === 'unit' && thing.parts.length > 0 && (
          <Section title={words.itsParts()} mt="28px">
            <Box as="ul" display="grid" gridTemplateColumns="repeat(auto-fill, minmax(230px, 1fr))" gap="8px" pt="10px">
              {thing.parts.map((part) => (
                <li key={part.id}>
                  <Tag
                    code={part.tag}
                    fact={`${part.partRef.replaceAll('-', ' ')}, ${part.grade ? `${part.grade}, ` : ''}${placeNames[part.place]}`}
                    href={`/t/${part.tag}`}
                  />
                </li>
              ))}
            </Box>
          </Section>
        )}
      </Box>
      <Section title={words.history()} note={words.newestFirst()}>
        <FactList facts={thing.facts} withDay />
        {thing.archived && <FromArchive archived={thing.archived} />}
      </Section>
    </Box>
  );
}

function UnitFacts({
  unit,
  modelName,
  parcelCode,
}: {
  readonly unit: Unit;
  readonly modelName: string | null;
  readonly parcelCode: string;
}) {
  const faults = (Object.keys(unit.tests) as DeviceTest[]).filter((test) => unit.tests[test] === 'fault');
  return (
    <>
      <Headline
        lead={words.from({
          modelName,
          revision: unit.revision ? words.revision({ revision: unit.revision }) : '',
          parcelCode,
          notOnItsList: unit.lineNo ? words.line({ lineNo: unit.lineNo }) : words.notOnItsList(),
        })}
      >
        {words.is({ tag: unit.tag, unit: sayStage(unit) })}
      </Headline>
      <Facts
        facts={[
          [words.serial(), unit.serial ?? words.notRead()],
          [
            words.marks(),
            unit.marks.length > 0 ? list(unit.marks.map(({ kind }) => findingNames[kind])) : words.none(),
          ],
          [words.faultsAtTriage(), faults.length > 0 ? list(faults.map((test) => testNames[test])) : words.noneNoted()],
          [words.data(), words.wiped({ isWiped: unit.isWiped ? 'yes' : 'no' })],
          ...(unit.saleGrade ? [[words.saleGrade(), unit.saleGrade] as const] : []),
          ...(unit.shipment ? [[words.shipment(), unit.shipment] as const] : []),
        ]}
      />
      <PhotoStrip unit={unit} />
    </>
  );
}

function PartFacts({ part, name, carries, unitTag }: Extract<ThingView, { readonly kind: 'part' }>) {
  return (
    <>
      <Headline
        lead={
          part.bought
            ? words.wasBought({ origin: sayOrigin(part, unitTag), price: money(part.bought.cents) })
            : words.fromAtTeardown({ unitTag, state: partStateNames[part.state] })
        }
        aside={part.grade && <Punches grade={part.grade} size="large" />}
      >
        {name}: {placeNames[part.place]}
        {part.bin && words.bin({ bin: part.bin })}
      </Headline>
      <Facts
        facts={[
          [words.fits(), part.interchange],
          ...(carries.length > 0 ? [[words.stillOnIt(), list(carries)] as const] : []),
          [words.limitedBy(), part.limiting ? capital(limitingName(part.limiting)) : words.notGraded()],
          ...Object.entries(part.readings).map(([id, reading]) => sayReading(id, reading, part.plusMinus?.[id])),
          ...(part.cell ? [[words.aboutTheCell(), sayCell(part.cell)] as const] : []),
        ]}
      />
    </>
  );
}

/** Where the older part of the story is, and what to do when it cannot be read. */
function FromArchive({ archived: { file, facts, state } }: { readonly archived: ArchivedPart }) {
  if (state === 'read')
    return (
      <Box textStyle="caption" color="inkMuted" mt="10px">
        {words.readFromArchive({ facts, file })}
      </Box>
    );
  return (
    <Caution tone="waiting" what={words.inArchive({ facts, file })}>
      {state === 'away' ? words.archiveAway() : words.archiveDamaged()}
    </Caution>
  );
}

function Facts({ facts }: { readonly facts: readonly (readonly [string, string])[] }) {
  return (
    <Box as="dl" display="grid" gridTemplateColumns={{ base: '130px 1fr', xl: '170px 1fr' }} maxW="640px">
      {facts.map(([name, value]) => (
        <Box key={name} display="contents">
          <Box as="dt" color="inkMuted" py="6px" borderBottomWidth="1px" borderColor="rule">
            {name}
          </Box>
          <Box as="dd" py="6px" borderBottomWidth="1px" borderColor="rule" fontWeight="600">
            {value}
          </Box>
        </Box>
      ))}
    </Box>
  );
}

interface Action {
  readonly label: string;
  readonly path: string;
}

function unitAction({ stage, tag }: Unit): Action | null {
  switch (stage) {
    case 'triage':
      return { label: words.goToTriage(), path: `/triage?unit=${tag}` };
    case 'teardown':
      return { label: words.toBench(), path: `/bench/${tag}` };
    case 'rebuild':
      return { label: words.rebuild(), path: `/bench/${tag}` };
    case 'match':
      return { label: words.match(), path: `/match?unit=${tag}` };
    case 'prove':
      return { label: words.prove(), path: `/prove?unit=${tag}` };
    case 'send':
      return { label: words.send(), path: '/send' };
    default:
      return null;
  }
}

function partAction({ place, tag }: Part): Action | null {
  if (place === 'grade') return { label: words.grade(), path: `/grade?part=${tag}` };
  return place === 'to-shelve' ? { label: words.putAway(), path: '/shelf' } : null;
}
