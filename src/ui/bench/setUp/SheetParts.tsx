'use client';
import { Box } from '@chakra-ui/react';
import type { Part, Unit } from '@/core/entities/entities';
import { getModelPart, type Model } from '@/core/procedure/model';
import { Section } from '@/ui/base/Section';
import { Table } from '@/ui/base/Table';
import { KeyButton } from '@/ui/keys/KeyButton';
import { rowKeys } from '@/ui/keys/rowKeys';
import * as words from '@/words/catalogue/benchLater';
import { money } from '@/words/format';

const keys = rowKeys('akpu');

/** The parts a donor could give, each to be wanted or left in it. */
export function WantedParts({
  unit,
  model,
  offered,
  targets,
  faulty,
  onToggle,
}: {
  readonly unit: Unit;
  readonly model: Model;
  readonly offered: readonly string[];
  readonly targets: readonly string[];
  /** Parts that failed at triage. */
  readonly faulty: ReadonlySet<string>;
  readonly onToggle: (id: string) => void;
}) {
  return (
    <Table>
      <thead>
        <tr>
          <th>{words.key()}</th>
          <th>{words.part()}</th>
          <th>{words.wanted()}</th>
          <th data-figure>{words.priceAtB()}</th>
          <th>{words.known2()}</th>
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
                  keyName={keys[index]}
                  label={words.leave3({ isWanted: isWanted ? 'yes' : 'no', name: part.name })}
                  size="small"
                  px="6px"
                  onPress={() => onToggle(id)}
                  aria-pressed={isWanted}
                >
                  {isWanted ? '✓' : '–'}
                </KeyButton>
              </td>
              <td>{part.name}</td>
              <td>{isWanted ? <strong>{words.wanted2()}</strong> : words.staysIn()}</td>
              <td data-figure>{money(part.valueCents?.B ?? 0)}</td>
              <td>
                {words.failedAtTriage({
                  hasId: faulty.has(id) ? 'yes' : 'no',
                  isWiped: part.data && !unit.isWiped ? 'yes' : 'no',
                })}
              </td>
            </tr>
          );
        })}
      </tbody>
    </Table>
  );
}

/** The parts that go into a build, and where they lie. */
export function PartsToFit({
  unit,
  model,
  targets,
  parts,
}: {
  readonly unit: Unit;
  readonly model: Model;
  readonly targets: readonly string[];
  readonly parts: readonly Part[];
}) {
  return (
    <Section title={words.partsToFit()}>
      {targets.map((id) => {
        const part = parts.find((candidate) => candidate.id === unit.assigned[id]);
        return (
          <Box key={id} py="10px" borderBottomWidth="1px" borderColor="rule" display="flex" gap="16px">
            <Box w="160px" fontWeight="600">
              {getModelPart(model, id).name}
            </Box>
            <Box fontFamily="mono">{part?.tag ?? words.notFound()}</Box>
            <Box>{part?.grade}</Box>
            <Box color="inkMuted">{part?.bin ? words.getFrom({ bin: part.bin }) : ''}</Box>
          </Box>
        );
      })}
    </Section>
  );
}
