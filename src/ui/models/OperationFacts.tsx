'use client';
import { Box } from '@chakra-ui/react';
import type { Model } from '@/core/procedure/model';
import type { Operation } from '@/core/procedure/operations';
import { money } from '@/core/shared/money';
import { Section } from '@/ui/base/Section';
import { sayLimit, sayList } from '@/ui/words/amounts';

/** Everything a document says of one operation, in the order in which the bench asks for it. */
export function OperationFacts({ model, operation }: { readonly model: Model; readonly operation: Operation }) {
  return (
    <>
      <Section title={operation.title} note={`${operation.minutes.low} to ${operation.minutes.high} min`}>
        <Box pt="8px">{operation.detail}</Box>
        <Facts facts={factsOf(operation)} />
      </Section>
      <ComesAfter model={model} operation={operation} />
      {operation.frees.length > 0 && <Frees model={model} operation={operation} />}
      {operation.ends && (
        <Section title="It can end so" mt="14px">
          {operation.ends.map(({ id, says, chance, then, debt }) => (
            <Box key={id} pt="6px">
              <strong>{Math.round(chance * 100)} in 100</strong> {says}
              <Muted>{[then, debt && `owed: ${debt.says}`].filter(Boolean).join(' ')}</Muted>
            </Box>
          ))}
        </Section>
      )}
      {operation.ladder && (
        <Section title="When it resists" mt="14px">
          {operation.ladder.rungs.map(({ says, minutes, breakage }, at) => (
            <Box key={says} pt="6px">
              {at + 1}. {says}
              <Muted>
                {minutes} min, breaks {Math.round(breakage * 100)} in 100
              </Muted>
            </Box>
          ))}
          <Muted>{operation.ladder.stop}</Muted>
        </Section>
      )}
      <WayBackFacts operation={operation} />
    </>
  );
}

const Muted = ({ children }: { readonly children: React.ReactNode }) => (
  <Box textStyle="note" color="inkMuted">
    {children}
  </Box>
);

function Facts({ facts }: { readonly facts: readonly string[] }) {
  return (
    <Box as="ul" pt="6px" color="inkMuted">
      {facts.map((fact) => (
        <li key={fact}>{fact}</li>
      ))}
    </Box>
  );
}

function factsOf(operation: Operation): readonly string[] {
  const { tool, orTools, posture, heat, solvent, wait, limit, helper, hold, needsCertificate, skill, cues, risks } =
    operation;
  const facts: (string | undefined | false)[] = [
    [tool, ...(orTools ?? []).map((other) => other.tool)].join(', or: '),
    posture,
    operation.when && `only if ${conditionWords(operation)}`,
    heat && `${heat.source} at ${heat.celsius} °C`,
    solvent && `${solvent.name}: air the place ${solvent.ventilateMinutes} min`,
    wait && `${wait.minutes} min on the ${wait.fixture}: ${wait.what}`,
    limit && `${sayLimit(limit)}: ${limit.because}`,
    hold && `hold: ${hold.where}`,
    helper && `a second person ${helper}`,
    needsCertificate && `only for certified people${skill ? `: ${skill}` : ''}`,
    ...(cues ?? []).map(({ says, needs }) => `it is right when: ${says}${needs ? ` (${needs})` : ''}`),
    ...(risks ?? []).map(({ chance, what }) => `${Math.round(chance * 100)} in 100: ${what}`),
  ];
  return facts.filter((fact): fact is string => typeof fact === 'string' && fact !== '');
}

function ComesAfter({ model, operation }: { readonly model: Model; readonly operation: Operation }) {
  const titleOf = (id: string) => model.operations.find((other) => other.id === id)?.title ?? id;
  return (
    <Section title="Comes after" mt="14px">
      {operation.after.length === 0 && <Muted>Nothing: it can be the first.</Muted>}
      {operation.after.map((arc) => (
        <Box key={arc.any.join()} pt="6px">
          {arc.any.map(titleOf).join(', or: ')}
          <Muted>
            {arc.reason}
            {arc.isUnproven && ', unproven'}: {arc.because}
          </Muted>
        </Box>
      ))}
    </Section>
  );
}

function Frees({ model, operation }: { readonly model: Model; readonly operation: Operation }) {
  return (
    <Section title="Frees" mt="14px">
      {operation.frees.map((id) => {
        const part = model.parts.find((candidate) => candidate.id === id);
        const notes = [
          part?.handling,
          part?.boundTo && 'works only with its partner',
          part?.assembly && `fused of ${sayList(part.assembly)}`,
          part?.seldomSurvives && `seldom survives: ${part.seldomSurvives}`,
          part?.hazard?.because,
          part?.reusableIf,
        ].filter(Boolean);
        return (
          <Box key={id} pt="6px">
            <Box display="flex" justifyContent="space-between" gap="10px">
              <span>{part?.name ?? id}</span>
              <Box as="span" color="inkMuted">
                {part?.valueCents ? `A ${money(part.valueCents.A)} · B ${money(part.valueCents.B)}` : 'no worth alone'}
              </Box>
            </Box>
            {notes.length > 0 && <Muted>{notes.join(' ')}</Muted>}
          </Box>
        );
      })}
    </Section>
  );
}

function WayBackFacts({ operation: { back } }: { readonly operation: Operation }) {
  return (
    <Section title="On the way back" mt="14px">
      <Box pt="8px">{back ? `${back.title}. ${back.detail}` : 'Nothing to do.'}</Box>
      {back?.prepare && <Muted>first: {back.prepare.join('; ')}</Muted>}
      {back?.consumables.map(({ name, count }) => (
        <Muted key={name}>
          {count} × {name}
        </Muted>
      ))}
      {back?.after?.map(({ operation, because }) => (
        <Muted key={operation}>
          after “{operation}”: {because}
        </Muted>
      ))}
      {back?.gate && (
        <Box color="waiting" fontWeight="600">
          Gate before it: {back.gate.what}
        </Box>
      )}
      {back?.seals && (
        <Box color="danger" fontWeight="600">
          It seals: the gate comes before it.
        </Box>
      )}
    </Section>
  );
}

export function conditionWords({ when }: Operation): string {
  return [
    when?.revisions && `revision ${when.revisions.join(' or ')}`,
    when?.configurations && `fitted: ${when.configurations.join(' or ')}`,
    when?.findings && `found: ${when.findings.join(' or ')}`,
    when?.absentFindings && `not found: ${when.absentFindings.join(' or ')}`,
  ]
    .filter(Boolean)
    .join(', ');
}
