'use client';
import { say as saySheet } from '@/words/catalogue/core/sheet';
import { either, list } from '@/words/format';
import { arcReasonNames, findingNames, testNames } from '@/words/say/names';
import { sayHandwork, sayHeat } from '@/words/say/sayHands';
import type { Finding } from '@/core/procedure/vocabulary';
import { sayOpening } from '@/words/say/saySteps';
import { Box } from '@chakra-ui/react';
import type { Model } from '@/core/procedure/model';
import type { Operation } from '@/core/procedure/operations';
import { PartFacts } from './PartFacts';
import { Muted } from './Muted';
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
              <Muted>
                {[then, debt && words.owed({ debt: saySheet(debt.says), check: saySheet(debt.check) })]
                  .filter(Boolean)
                  .join(' ')}
              </Muted>
            </Box>
          ))}
        </Section>
      )}
      {operation.ladder && (
        <Section title={words.ifWontComeLoose()} mt="14px">
          {operation.ladder.rungs.map(({ says, minutes, breakage, tool, heat, solvent, consumable }, at) => (
            <Box key={says} pt="6px">
              {at + 1}.{' '}
              {[says, tool, heat && sayHeat(heat), solvent?.name, consumable && saySheet(consumable.name)]
                .filter(Boolean)
                .join(', ')}
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
  const { tool, orTools = [], limit, skill, risks = [], slowWhile = [], cautions, cutsPower } = operation;
  const facts: (string | undefined | false)[] = [
    either([tool, ...orTools.map((other) => other.tool)]),
    operation.when && words.onlyIf({ operation: conditionWords(operation) }),
    ...sayHandwork(operation),
    limit && words.limitBecause({ limit: sayOpening(limit), because: limit.because }),
    skill && words.trains({ skill }),
    cutsPower && words.cutsPower(),
    ...slowWhile.map(({ factor, because }) => words.slower({ factor, because })),
    ...cautions.map(({ what, instead }) => words.caution({ what, instead })),
    ...risks.map(({ chance, what }) => counts.chanceOf({ chance, what })),
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
        return part && <PartFacts key={id} model={model} part={part} />;
      })}
    </Section>
  );
}

function WayBackFacts({ operation: { back } }: { readonly operation: Operation }) {
  return (
    <Section title={words.rebuild()} mt="14px">
      <Box pt="8px">{back ? `${back.title}. ${back.detail}` : words.nothingToDo()}</Box>
      {back && (
        <Facts
          facts={[
            back.tool,
            ...sayHandwork(back),
            ...(back.cautions ?? []).map(({ what, instead }) => words.caution({ what, instead })),
            ...(back.start ? [words.startsFrom({ edge: back.start.edge, offsetMm: back.start.offsetMm })] : []),
            ...(back.leaves ?? []).map(({ joint, because }) => words.leavesOpen({ joint, because })),
          ]}
        />
      )}
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
          {words.gateBefore({
            what: back.gate.what,
            hasOff: back.gate.offAgain ? 'yes' : 'no',
            off: back.gate.offAgain ?? '',
          })}
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
    ...(when?.tests ?? []).map(({ test, result }) => words.whenTested({ test: testNames[test], result })),
    when?.ends && words.onlyAfterEnd({ ends: either(when.ends.map(({ operation, end }) => `${operation}: ${end}`)) }),
  ];
  return list(conditions.filter((condition) => condition !== undefined));
}
