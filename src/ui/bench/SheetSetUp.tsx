'use client';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { defaultTargets, sheetOf } from '@/core/bench/sheetOf';
import { slotNeeds } from '@/core/bench/slots';
import { getModelPart } from '@/core/procedure/model';
import { screwKeepings, startingHouseRules } from '@/core/shared/houseRules';
import { money } from '@/core/shared/money';
import type { SheetKind } from '@/core/teardown/sheet/runSheet';
import { Caution } from '@/ui/base/Caution';
import { Headline } from '@/ui/base/Headline';
import { Section } from '@/ui/base/Section';
import { SidePanel } from '@/ui/base/SidePanel';
import { Table } from '@/ui/base/Table';
import { KeyButton } from '@/ui/keys/KeyButton';
import { sayList, sayMinutes } from '@/ui/words/amounts';
import { sayRefusal } from '@/ui/words/sentences';
import { BenchHeader } from './BenchHeader';
import type { BenchProps } from './benchProps';
import { keepingNames } from './sheetWords';

/** What is wanted of this unit, and what the sheet for it takes. Wiping comes before anything is opened. */
export function SheetSetUp(props: BenchProps & { readonly kind: SheetKind }) {
  const { unit, model, shop, kind } = props;
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
  const [targets, setTargets] = useState<readonly string[]>(
    offered.filter((id) => kind === 'rebuild' || !faulty.has(id)),
  );
  const [keeping, setKeeping] = useState(startingHouseRules.screwsIn);
  const sheet = useMemo(() => sheetOf(model, unit, { kind, targets, keeping }), [model, unit, kind, targets, keeping]);
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
  const work = Math.round(minutes.likely * startingHouseRules.labourCentsPerMinute);

  return (
    <Box minH="100vh" display="grid" gridTemplateColumns="minmax(0, 1fr)" gridTemplateRows="60px 1fr">
      <BenchHeader {...props}>{kind === 'teardown' ? 'Donor: choose what is wanted' : 'Rebuild'}</BenchHeader>
      <Box display="grid" gridTemplateColumns="minmax(0, 1fr) 380px" as="main">
        <Box p="24px 28px">
          <Headline
            lead={
              kind === 'teardown'
                ? `Worth about ${money(worth)} at grade B for ${money(work)} of work, before what breaks.`
                : `It gets another ${sayList(targets.map((id) => getModelPart(model, id).name)) || 'part: none is set aside'}.`
            }
          >
            {kind === 'teardown'
              ? `${targets.length} parts wanted, about ${sayMinutes(minutes.likely)}`
              : `Open it, change ${targets.length === 1 ? 'one part' : `${targets.length} parts`}, close it: about ${sayMinutes(minutes.likely)}`}
          </Headline>
          {kind === 'teardown' ? (
            <Table>
              <thead>
                <tr>
                  <th>Key</th>
                  <th>Part</th>
                  <th>Wanted</th>
                  <th data-figure>Fetches at B</th>
                  <th>Known of it</th>
                </tr>
              </thead>
              <tbody>
                {offered.map((id, index) => {
                  const part = getModelPart(model, id);
                  const isWanted = targets.includes(id);
                  return (
                    <tr key={id}>
                      <td>
                        <KeyButton
                          keyName={index < 9 ? String(index + 1) : (letters[index - 9] ?? 'F12')}
                          label={`${isWanted ? 'Leave' : 'Take'} the ${part.name}`}
                          size="small"
                          px="6px"
                          onPress={() => toggle(id)}
                          aria-pressed={isWanted}
                        >
                          {isWanted ? '✓' : '–'}
                        </KeyButton>
                      </td>
                      <td>{part.name}</td>
                      <td>{isWanted ? <strong>wanted</strong> : 'stays in'}</td>
                      <td data-figure>{money(part.valueCents?.B ?? 0)}</td>
                      <td>{faulty.has(id) ? 'faulty at triage' : part.data && !unit.isWiped ? 'holds data' : ''}</td>
                    </tr>
                  );
                })}
              </tbody>
            </Table>
          ) : (
            <Section title="What goes in">
              {targets.map((id) => {
                const part = shop.parts.find((candidate) => candidate.id === unit.assigned[id]);
                return (
                  <Box key={id} py="10px" borderBottomWidth="1px" borderColor="rule" display="flex" gap="16px">
                    <Box w="160px" fontWeight="600">
                      {getModelPart(model, id).name}
                    </Box>
                    <Box fontFamily="mono">{part?.tag ?? 'not found'}</Box>
                    <Box>{part?.grade}</Box>
                    <Box color="inkMuted">{part?.bin ? `fetch it from ${part.bin}` : ''}</Box>
                  </Box>
                );
              })}
            </Section>
          )}
        </Box>
        <SidePanel>
          {sheet.ok ? (
            <>
              <Section title="The sheet" note={`${sheet.value.steps.length} steps`}>
                <Box py="10px">
                  {Math.round(minutes.low)} to {Math.round(minutes.high)} min, likely {Math.round(minutes.likely)}
                </Box>
                <Box pb="10px">
                  {sheet.value.screwCount} screws out{kind === 'rebuild' && ', and in again'}: {keepingNames[keeping]},{' '}
                  {new Set(sheet.value.cups.map(({ cup }) => cup)).size} of them
                </Box>
                <Box pb="10px">
                  <KeyButton
                    keyName="k"
                    label={`Screws: ${keepingNames[keeping]}`}
                    size="small"
                    onPress={() =>
                      setKeeping((now) => screwKeepings[(screwKeepings.indexOf(now) + 1) % screwKeepings.length] ?? now)
                    }
                  />
                </Box>
              </Section>
              <Section title="Lay out">
                <Box py="10px" textStyle="note">
                  {sheet.value.tools.join(' · ') || 'Hands are enough'}
                </Box>
                {sheet.value.consumables.length > 0 && (
                  <Box pb="10px" textStyle="note">
                    {sheet.value.consumables.map(({ name, count }) => `${count} × ${name}`).join(' · ')}
                  </Box>
                )}
              </Section>
            </>
          ) : (
            <Caution what="No sheet.">{sayRefusal(sheet.refusal)}</Caution>
          )}
          {mustWipe && (
            <Caution what="Data first.">It starts: wipe it now. In pieces it cannot be wiped any more.</Caution>
          )}
          {kind === 'teardown' && !mustWipe && !unit.isWiped && (
            <Caution tone="waiting" what="It does not start.">
              Its storage is marked for destruction; the shelf will refuse it.
            </Caution>
          )}
          <Box mt="auto" display="grid" gap="10px">
            {mustWipe ? (
              <KeyButton
                keyName=" "
                label="It is wiped"
                look="action"
                size="wide"
                onPress={() => void shop.act('wipe-recorded', unit.id, { method: 'device-erase' })}
              />
            ) : (
              <KeyButton
                keyName=" "
                label="Start the sheet"
                look="action"
                size="wide"
                isEnabled={sheet.ok && targets.length > 0}
                onPress={() => void start()}
              />
            )}
            {kind === 'teardown' && (
              <KeyButton
                keyName="p"
                label="What pays"
                onPress={() => router.push(`/models/${model.id}/plan?unit=${unit.tag}`)}
              />
            )}
            <Box display="grid" gridTemplateColumns="1fr 1fr" gap="10px">
              <KeyButton keyName="u" label="Take back" onPress={() => void shop.takeBack(unit.id)} />
              <KeyButton keyName="Escape" label="Leave" onPress={() => router.push(`/${kind}`)} />
            </Box>
          </Box>
        </SidePanel>
      </Box>
    </Box>
  );
}

const letters = ['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h'];
