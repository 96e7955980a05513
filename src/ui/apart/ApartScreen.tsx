'use client';
import { capital } from '@/words/format';
import { say as sayApart } from '@/words/catalogue/core/apart';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { apartRules } from '@/core/shop/apart';
import type { Unit, UnitPhoto } from '@/core/entities/entities';
import { apartPlaces, type ApartPlace } from '@/core/entities/stages';
import type { Person } from '@/core/people/roles';
import type { ApartView } from '@/services/apart/readApart';
import { Caution } from '@/ui/base/Caution';
import { Headline } from '@/ui/base/Headline';
import { Row } from '@/ui/base/Row';
import { Section } from '@/ui/base/Section';
import { SidePanel } from '@/ui/base/SidePanel';
import { Tag } from '@/ui/base/Tag';
import { useShop } from '@/ui/facts/ShopProvider';
import { useChosenThing } from '@/ui/facts/useChosenThing';
import { KeyButton } from '@/ui/keys/KeyButton';
import { PhotoStrip } from '@/ui/photos/PhotoStrip';
import { TakePhoto } from '@/ui/photos/TakePhoto';
import { ReportLost } from './ReportLost';
import { SafetySteps } from './SafetySteps';
import { apartNames, letGoNames } from '@/words/say/names';
import * as words from '@/words/catalogue/apart';

/** What is kept apart, what must be done with it, and by whose word it may leave. */
export function ApartScreen({ view, person }: { readonly view: ApartView; readonly person: Person }) {
  const router = useRouter();
  const seeds = useMemo(() => ({ models: [], units: view.units }), [view]);
  const shop = useShop(seeds);
  const [isReporting, setReporting] = useState(false);
  const units = shop.units.filter(({ stage }) => stage === 'kept-apart');
  const sorted = apartPlaces.flatMap((place) => units.filter(({ apartPlace }) => apartPlace === place));
  const { chosen, choose } = useChosenThing(sorted.map(({ id }) => id));
  const unit = sorted.find(({ id }) => id === chosen);
  return (
    <Box
      display="grid"
      gridTemplateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) 420px' }}
      minH="calc(100vh - 84px)"
    >
      <Box p="24px 28px">
        <Headline
          lead={words.hazardsFirstThenUnitsThat()}
          aside={<KeyButton keyName="Escape" label={words.triage()} onPress={() => router.push('/triage')} />}
        >
          {sorted.length === 0 ? words.nothingKeptApart() : words.noUnitsKeptApart({ sorted: sorted.length })}
        </Headline>
        <Box display="grid" gap="24px">
          {apartPlaces.map((place) => (
            <Place
              key={place}
              place={place}
              units={sorted.filter(({ apartPlace }) => apartPlace === place)}
              names={view.names}
              chosen={unit?.id ?? null}
              onChoose={choose}
            />
          ))}
        </Box>
        <Box mt="20px">
          <KeyButton records keyName="u" label={words.undo()} onPress={() => void shop.takeBack()} />{' '}
          {unit?.apartPlace === 'unknown-model' && (
            <KeyButton keyName="o" label={words.firstOpening()} onPress={() => router.push('/models')} />
          )}{' '}
          {person.role === 'lead' && (
            <KeyButton records keyName="n" label={words.reportLostSerials()} onPress={() => setReporting(true)} />
          )}
        </Box>
      </Box>
      {isReporting && <ReportLost onClose={() => setReporting(false)} />}
      {unit && (
        <OneApart
          key={unit.id}
          unit={unit}
          isLead={person.role === 'lead'}
          onLetGo={(because) => void shop.act('unit-let-go', unit.id, { because })}
          onPhoto={(photo) => shop.act('photo-taken', unit.id, { photo }).ok}
        />
      )}
    </Box>
  );
}

function Place({
  place,
  units,
  names,
  chosen,
  onChoose,
}: {
  readonly place: ApartPlace;
  readonly units: readonly Unit[];
  readonly names: ApartView['names'];
  readonly chosen: string | null;
  readonly onChoose: (id: string) => void;
}) {
  return (
    <Section title={capital(apartNames[place])} note={units.length === 0 ? 'empty' : String(units.length)}>
      <Box as="ul">
        {units.map((unit) => (
          <Row
            key={unit.id}
            state={unit.id === chosen ? 'chosen' : 'plain'}
            press="yes"
            onClick={() => onChoose(unit.id)}
          >
            <Tag code={unit.tag} href={`/t/${unit.tag}`} />
            <Box flex="1">{names[unit.id] ?? words.unknownModel()}</Box>
            <Box textStyle="note" fontFamily="mono">
              {unit.serial ?? ''}
            </Box>
          </Row>
        ))}
      </Box>
    </Section>
  );
}

function OneApart({
  unit,
  isLead,
  onLetGo,
  onPhoto,
}: {
  readonly unit: Unit;
  readonly isLead: boolean;
  readonly onLetGo: (because: (typeof apartRules)[ApartPlace]['letsGo'][number]) => void;
  readonly onPhoto: (photo: UnitPhoto) => boolean;
}) {
  const { steps, letsGo, note } = apartRules[unit.apartPlace ?? 'ownership'];
  const [done, setDone] = useState<readonly number[]>([]);
  const isReady = steps.every((_, at) => done.includes(at));
  return (
    <SidePanel>
      <Section title={words.first({ tag: unit.tag })} note={words.of({ done: done.length, steps: steps.length })}>
        <Box pt="10px">
          <SafetySteps steps={steps.map(sayApart)} done={done} onDone={setDone} />
        </Box>
      </Section>
      <Caution tone={unit.apartPlace === 'hazard' ? 'danger' : 'waiting'} what={words.beforeAnythingElse()}>
        {sayApart(note)}
      </Caution>
      <Box display="flex" gap="8px" flexWrap="wrap">
        <TakePhoto unit={unit} about={undefined} onTaken={onPhoto} />
        <PhotoStrip unit={unit} />
      </Box>
      <Section title={words.afterThatMayLeave()} note={words.youMayDecide({ isLead: isLead ? 'yes' : 'no' })}>
        <Box display="grid" gap="8px" pt="10px">
          {letsGo.map((because, at) => (
            <KeyButton
              records
              key={because}
              keyName={at === 0 ? ' ' : 'd'}
              label={letGoNames[because]}
              look={at === 0 ? 'action' : 'outline'}
              size={at === 0 ? 'wide' : undefined}
              isEnabled={isLead && isReady}
              onPress={() => onLetGo(because)}
            />
          ))}
        </Box>
      </Section>
    </SidePanel>
  );
}
