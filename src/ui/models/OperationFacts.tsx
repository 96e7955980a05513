'use client';
import { say as saySheet } from '@/words/catalogue/core/sheet';
import { either, list } from '@/words/format';
import { arcReasonNames, findingNames } from '@/words/say/names';
import type { Finding } from '@/core/procedure/vocabulary';
import { money } from '@/words/format';
import { sayOpening } from '@/words/say/saySteps';
import { Box } from '@chakra-ui/react';
import type { Model } from '@/core/procedure/model';
import type { Operation } from '@/core/procedure/operations';
import { Section } from '@/ui/base/Section';
import * as words from '@/words/catalogue/models';
import * as counts from '@/words/catalogue/counts';

/** Everything a document says of one operation, in the order in which the bench asks for it. */
export function OperationFacts({ model, operation }: { readonly model: Model; readonly operation: Operation }) {
  return (
    <>
      <Section title={operation.title} note={words.toMin({ low: operation.minutes.low, high: operation.minutes.high })}>
        <Box pt="8px">{operation.detail}</Box>
        <Facts facts={factsOf(operation)} />
      </Section>
      <ComesAfter model={model} operation={operation} />
      {operation.frees.length > 0 && <Frees model={model} operation={operation} />}
      {operation.ends && (
        <Section title={words.otherOutcomes()} mt="14px">
          {operation.ends.map(({ id, says, chance, then, debt }) => (
            <Box key={id} pt="6px">
              <strong>{words.n({ chance: Math.round(chance * 100) })}</strong> {says}
              <Muted>{[then, debt && words.owed({ debt: saySheet(debt.says) })].filter(Boolean).join(' ')}</Muted>
            </Box>
          ))}
        </Section>
      )}
      {operation.ladder && (
        <Section title={words.ifWontComeLoose()} mt="14px">
          {operation.ladder.rungs.map(({ says, minutes, breakage }, at) => (
            <Box key={says} pt="6px">
              {at + 1}. {says}
              <Muted>{words.minChanceBreakage({ minutesValue: minutes, breakage: Math.round(breakage * 100) })}</Muted>
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
  const {
    tool,
    orTools,
    posture,
    heat,
    solvent,
    waits = [],
    limit,
    helper,
    hold,
    needsCertificate,
    skill,
    cues,
    risks,
  } = operation;
  const facts: (string | undefined | false)[] = [
    either([tool, ...(orTools ?? []).map((other) => other.tool)]),
    posture,
    operation.when && words.onlyIf({ operation: conditionWords(operation) }),
    heat && words.heatAt({ source: heat.source, celsius: heat.celsius }),
    solvent && words.ventilateForMin({ name: solvent.name, ventilateMinutes: solvent.ventilateMinutes }),
    ...waits.map(({ minutes, fixture, what }) => words.minOn({ minutesValue: minutes, fixture, what: saySheet(what) })),
    limit && words.limitBecause({ limit: sayOpening(limit), because: limit.because }),
    hold && words.holdAt({ where: hold.where }),
    helper && words.secondPerson({ helper }),
    needsCertificate && words.onlyForCertifiedPeople({ isSkill: skill ? 'yes' : 'no', skill }),
    ...(cues ?? []).map(({ says, needs }) => words.check({ says, isNeeds: needs ? 'yes' : 'no', needs })),
    ...(risks ?? []).map(({ chance, what }) => counts.chanceOf({ chance, what })),
  ];
  return facts.filter((fact): fact is string => typeof fact === 'string' && fact !== '');
}

function ComesAfter({ model, operation }: { readonly model: Model; readonly operation: Operation }) {
  const titleOf = (id: string) => model.operations.find((other) => other.id === id)?.title ?? id;
  return (
    <Section title={words.comesAfter()} mt="14px">
      {operation.after.length === 0 && <Muted>{words.nothingCanComeFirst()}</Muted>}
      {operation.after.map((arc) => (
        <Box key={arc.any.join()} pt="6px">
          {either(arc.any.map(titleOf))}
          <Muted>
            {words.reason({
              reason: arcReasonNames[arc.reason],
              isUnproven: arc.isUnproven ? 'yes' : 'no',
              because: saySheet(arc.because),
            })}
          </Muted>
        </Box>
      ))}
    </Section>
  );
}

function Frees({ model, operation }: { readonly model: Model; readonly operation: Operation }) {
  return (
    <Section title={words.frees()} mt="14px">
      {operation.frees.map((id) => {
        const part = model.parts.find((candidate) => candidate.id === id);
        const notes = [
          part?.handling,
          part?.boundTo && words.worksOnlyWithItsPartner(),
          part?.assembly && words.assembly({ assembly: part.assembly }),
          part?.seldomSurvives && words.rarelySurvives({ seldomSurvives: part.seldomSurvives }),
          part?.hazard?.because,
          part?.reusableIf,
        ].filter(Boolean);
        return (
          <Box key={id} pt="6px">
            <Box display="flex" justifyContent="space-between" gap="10px">
              <span>{part?.name ?? id}</span>
              <Box as="span" color="inkMuted">
                {part?.valueCents
                  ? `A ${money(part.valueCents.A)} · B ${money(part.valueCents.B)}`
                  : words.noValueAlone()}
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
    <Section title={words.rebuild()} mt="14px">
      <Box pt="8px">{back ? `${back.title}. ${back.detail}` : words.nothingToDo()}</Box>
      {back?.prepare && <Muted>{words.first({ prepare: list(back.prepare) })}</Muted>}
      {back?.consumables.map(({ name, count }) => (
        <Muted key={saySheet(name)}>
          {count} × {saySheet(name)}
        </Muted>
      ))}
      {back?.after?.map(({ operation, because }) => (
        <Muted key={operation}>{words.after({ operation, because })}</Muted>
      ))}
      {back?.gate && (
        <Box color="waiting" fontWeight="600">
          {words.gateBefore({ what: back.gate.what })}
        </Box>
      )}
      {back?.seals && (
        <Box color="danger" fontWeight="600">
          {words.thisStepSealsUnitGate()}
        </Box>
      )}
    </Section>
  );
}

const sayFindings = (findings: readonly Finding[]): string => either(findings.map((finding) => findingNames[finding]));

export function conditionWords({ when }: Operation): string {
  const conditions = [
    when?.revisions && words.forRevisions({ revisions: either(when.revisions) }),
    when?.configurations && words.whenFitted({ configurations: either(when.configurations) }),
    when?.findings && words.whenFound({ findings: sayFindings(when.findings) }),
    when?.absentFindings && words.unlessFound({ findings: sayFindings(when.absentFindings) }),
  ];
  return list(conditions.filter((condition) => condition !== undefined));
}
