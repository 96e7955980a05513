'use client';
import { screwName } from '@/core/procedure/drives';
import { stopwatch } from '@/words/format';
import * as counts from '@/words/catalogue/counts';
import { say as sayOpening } from '@/words/catalogue/core/opening';
import { Box, chakra } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useRef, useState } from 'react';
import { v4 as uuid } from 'uuid';
import { imbalancesOf, type Imbalance } from '@/core/opening/balance';
import { usualThings, usualTools } from '@/core/drafting/usualWords';
import { draftFromLogs } from '@/core/opening/draftFromLogs';
import { keysOf, verbNames, verbs, type LogEntry, type OpeningLog, type Verb } from '@/core/opening/openingLog';
import { questionsFor } from '@/core/opening/questions';
import type { Refusal } from '@/core/shared/outcome';
import type { OpeningView } from '@/services/openings/readOpening';
import { Caution } from '@/ui/base/Caution';
import { Headline } from '@/ui/base/Headline';
import { Nothing } from '@/ui/base/Nothing';
import { ScrollBox } from '@/ui/base/ScrollBox';
import { Section } from '@/ui/base/Section';
import { SidePanel } from '@/ui/base/SidePanel';
import { KeyButton } from '@/ui/keys/KeyButton';
import { send } from '@/ui/server/send';
import { Refused } from '@/ui/base/Refused';
import { RejectedMoves } from './RejectedMoves';
import { StepLine } from './StepLine';
import { useOpening } from './useOpening';
import { sayNextBack, verbWords } from './verbWords';
import * as texts from '@/words/catalogue/opening';

/** How do I record a model nobody knows? One key a verb, what it was done to, Enter; the clock runs by itself. */
export function OpeningScreen({ view, mayDraft }: { readonly view: OpeningView; readonly mayDraft: boolean }) {
  const opening = useOpening(view);
  const { logs, number, leg } = opening;
  const [verb, setVerb] = useState<Verb | null>(null);
  const log = logs.find((entry) => entry.number === number) ?? { number, entries: [] };
  const last = log.entries.at(-1);
  const expected = leg === 'back' ? nextBack(log) : undefined;
  const all = logs.flatMap(({ entries }) => entries);
  const distinct = (words: readonly string[]) => [...new Set(words)];
  return (
    <Box
      display="grid"
      gridTemplateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) 350px' }}
      gridTemplateRows={{ lg: 'minmax(0, 1fr)' }}
      h={{ lg: 'calc(100vh - 84px)' }}
    >
      <Box p="20px 26px" minW="0" display="grid" gridTemplateRows="auto minmax(0, 1fr)" gridAutoRows="auto" gap="10px">
        <Headline
          lead={
            <>
              {texts.logTeardownStepSoFar({
                value: number,
                isLegOut: leg === 'out' ? 'yes' : 'no',
                entries: log.entries.length,
                unsent: opening.unsent > 0 ? texts.keptInThisBrowserUntil({ unsent: opening.unsent }) : '',
              })}
            </>
          }
        >
          {texts.firstOpening({ maker: view.maker, name: view.name })}
        </Headline>
        <LogList log={log} />
        {opening.rejected.length > 0 && <RejectedMoves rejected={opening.rejected} onSettle={opening.settle} />}
        <Box>
          {verb ? (
            <StepLine
              key={`${number}${log.entries.length}${verb}`}
              verb={verb}
              leg={leg}
              last={last}
              things={distinct([...all.map(({ thing }) => thing), ...usualThings])}
              tools={distinct([...all.map(({ tool }) => tool).reverse(), ...usualTools])}
              faces={distinct(all.map(({ face }) => face).reverse())}
              onLog={(step) => {
                opening.log(step);
                setVerb(null);
              }}
              onClose={() => setVerb(null)}
            />
          ) : (
            <Box display="flex" flexWrap="wrap" gap="8px">
              {verbNames.map((name) => (
                <KeyButton
                  key={name}
                  keyName={verbs[name].key}
                  label={verbWords[name][leg]}
                  size="target"
                  onPress={() => setVerb(name)}
                />
              ))}
            </Box>
          )}
          <Box display="flex" flexWrap="wrap" gap="8px" mt="10px">
            {expected && (
              <KeyButton
                keyName=" "
                label={sayNextBack(expected)}
                look="action"
                isEnabled={verb === null}
                onPress={() =>
                  opening.log({
                    verb: expected.verb,
                    thing: expected.thing,
                    screws: expected.screws,
                    tool: expected.tool,
                    face: expected.face,
                    posture: expected.posture,
                    trouble: '',
                  })
                }
              />
            )}
            <KeyButton
              keyName="b"
              label={texts.switchToRebuild({ isLegOut: leg === 'out' ? 'yes' : 'no' })}
              isEnabled={verb === null}
              onPress={() => opening.setLeg(leg === 'out' ? 'back' : 'out')}
            />
            <KeyButton
              keyName="u"
              label={texts.undoLastStep()}
              isEnabled={verb === null && last !== undefined}
              onPress={opening.takeBack}
            />
            <KeyButton
              keyName="a"
              label={texts.startAnotherLog()}
              isEnabled={verb === null && log.entries.length > 0}
              onPress={opening.nextLog}
            />
          </Box>
        </Box>
      </Box>
      <DraftPanel
        view={view}
        logs={logs}
        mayDraft={mayDraft}
        isNext={expected === undefined}
        isIdle={verb === null}
        unsent={opening.unsent}
      />
    </Box>
  );
}

/** The step that goes back next if the way back is the reverse: the last one out that is not back yet. */
function nextBack({ entries }: OpeningLog): LogEntry | undefined {
  const out = entries.filter(({ leg }) => leg === 'out');
  const outKeys = keysOf(out);
  const backKeys = new Set(keysOf(entries.filter(({ leg }) => leg === 'back')));
  return out.findLast(
    (entry, at) => !backKeys.has(outKeys[at] ?? '') && entry.verb !== 'look' && entry.verb !== 'warm',
  );
}

function LogList({ log }: { readonly log: OpeningLog }) {
  const list = useRef<HTMLOListElement>(null);
  useEffect(() => {
    // In braces: what scrollTo returns is no way to clean up.
    list.current?.scrollTo({ top: list.current.scrollHeight });
  }, [log.number, log.entries.length]);
  if (log.entries.length === 0) {
    return (
      <Box>
        <Nothing>{texts.takeFirstThingOffPress()}</Nothing>
      </Box>
    );
  }
  return (
    <chakra.ol ref={list} overflowY="auto" aria-label={texts.loggedSteps()} tabIndex={0}>
      {log.entries.map(({ id, leg, verb, thing, tool, screws, face, trouble, seconds }, at) => (
        <Box
          as="li"
          key={id}
          display="grid"
          gridTemplateColumns="34px 60px minmax(0, 1fr) auto"
          gap="10px"
          py="7px"
          borderBottomWidth="1px"
          borderColor="rule"
        >
          <Box as="span" textStyle="caption" color="inkMuted" pt="3px">
            {at + 1}
          </Box>
          <Box as="span" textStyle="caption" color={leg === 'out' ? 'inkMuted' : 'action'} pt="3px">
            {leg === 'out' ? 'out' : 'back'}
          </Box>
          <Box minW="0">
            <strong>{verbWords[verb][leg]}</strong> {thing}
            {screws.length > 0 && `, ${screws.map((screw) => `${screw.count} × ${screwName(screw)}`).join(', ')}`}
            <Box as="span" color="inkMuted">
              {' '}
              · {tool} · {face}
            </Box>
            {trouble !== '' && (
              <Box color="danger" textStyle="note">
                {trouble}
              </Box>
            )}
          </Box>
          <Box as="span" fontFamily="mono" color="inkMuted">
            {stopwatch(seconds)}
          </Box>
        </Box>
      ))}
    </chakra.ol>
  );
}

function balanceWords(logs: readonly OpeningLog[], differences: number, stillOut: readonly Imbalance[]): string {
  if (!logs.some(({ entries }) => entries.some(({ leg }) => leg === 'back'))) return texts.rebuildNotLoggedYet();
  if (differences === 0) return texts.balancedEverythingThatCameOff();
  const [first, ...rest] = stillOut.map(({ what }) => what);
  if (first === undefined) return texts.notBalanced();
  return texts.stillOut({ first, rest: rest.length > 0 ? ` ${texts.andMore({ rest: rest.length })}` : '' });
}

/** What the logs make so far: operations, what is certain of their order, what does not balance, what is still to ask. */
function DraftPanel({
  view,
  logs,
  mayDraft,
  isNext,
  isIdle,
  unsent,
}: {
  readonly view: OpeningView;
  readonly logs: readonly OpeningLog[];
  readonly mayDraft: boolean;
  /** Whether the draft is the one next thing, or a step on the way back is. */
  readonly isNext: boolean;
  readonly isIdle: boolean;
  readonly unsent: number;
}) {
  const router = useRouter();
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const written = useMemo(() => logs.filter(({ entries }) => entries.length > 0), [logs]);
  const { model, contradicted } = useMemo(() => draftFromLogs(view, written), [view, written]);
  const differences = useMemo(() => written.flatMap(imbalancesOf), [written]);
  // What the log under way still has out is no fault yet.
  const isUnderWay = ({ log, out, back }: Imbalance) => log === written.at(-1)?.number && out > back;
  const stillOut = differences.filter(isUnderWay);
  const imbalances = differences.filter((difference) => !isUnderWay(difference));
  const questions = written.length === 0 ? [] : questionsFor(model, imbalances, written.length);
  const arcs = model.operations.flatMap(({ after }) => after);
  const unproven = arcs.filter(({ isUnproven }) => isUnproven).length;
  const draft = async () => {
    const draftId = uuid();
    const outcome = await send('POST', `/api/openings/${view.id}/draft`, { draftId });
    if (outcome.ok) router.push(`/models/drafts/${draftId}`);
    else setRefusal(outcome.refusal);
  };
  return (
    <SidePanel overflow="hidden">
      <ScrollBox label={texts.whatLogsSay()} flex="1" minH="0">
        <Section title={texts.draftSoFar()} note={counts.logs({ count: written.length })}>
          <Box as="ul" pt="8px">
            <li>
              {counts.operations({ count: model.operations.length })}, {counts.parts({ count: model.parts.length })},{' '}
              {counts.joints({ count: model.joints.length })}
            </li>
            <li>{texts.constraintsConfirmedByMoreThan({ unproven: arcs.length - unproven, unproven2: unproven })}</li>
            {contradicted.length > 0 && (
              <li>{texts.constraintDroppedAnotherLogContradicts({ contradicted: contradicted.length })}</li>
            )}
          </Box>
        </Section>
        <Section title={texts.outAndBack()} mt="16px">
          <Box pt="8px" color="inkMuted">
            {balanceWords(written, differences.length, stillOut)}
          </Box>
          {imbalances.length > 0 && (
            <Box as="ul" color="danger">
              {imbalances.slice(0, 6).map(({ log, what, out, back }) => (
                <li key={`${log}${what}`}>{texts.logOutBack({ log, what, out, back })}</li>
              ))}
            </Box>
          )}
        </Section>
        <Section title={texts.mostUsefulNext()} mt="16px">
          <Box as="ol" pt="6px">
            {questions.slice(0, 5).map(({ id, asks, because }) => (
              <Box as="li" key={id} py="5px">
                {sayOpening(asks)}
                <Box textStyle="note" color="inkMuted">
                  {sayOpening(because)}
                </Box>
              </Box>
            ))}
          </Box>
        </Section>
      </ScrollBox>
      <Box>
        {refusal && (
          <Caution what={texts.noDraft()}>
            <Refused refusal={refusal} />
          </Caution>
        )}
        {mayDraft ? (
          <KeyButton
            keyName="d"
            label={texts.makeDraft()}
            look={isNext ? 'action' : 'outline'}
            size="wide"
            isEnabled={isIdle && written.length > 0 && unsent === 0}
            onPress={() => void draft()}
          />
        ) : (
          <Box color="inkMuted">{texts.leadMakesDraftFrom()}</Box>
        )}
      </Box>
    </SidePanel>
  );
}
