'use client';
import { Box } from '@chakra-ui/react';
import type { BitWear } from '@/core/screws/bitWear';
import type { WorkBench } from '@/core/people/benches';
import { Section } from '@/ui/base/Section';
import { Table } from '@/ui/base/Table';
import * as words from '@/words/catalogue/people';

/** The bits in use at each bench: what they have turned since they were new, and which strip more heads than others. */
export function BitTable({
  bits,
  benches,
}: {
  readonly bits: readonly (BitWear & { readonly bench: string })[];
  readonly benches: readonly WorkBench[];
}) {
  const worn = bits.filter(({ isWorn }) => isWorn).length;
  const nameOf = (bench: string) => benches.find(({ id }) => id === bench)?.name ?? bench;
  return (
    <Section title={words.bits()} note={words.wornBits({ count: worn })} mt="26px">
      {bits.length === 0 ? (
        <Box textStyle="note" color="inkMuted" pt="8px">
          {words.noBitsYet()}
        </Box>
      ) : (
        <Table>
          <thead>
            <tr>
              <th>{words.bench()}</th>
              <th>{words.bit()}</th>
              <th data-figure>{words.screwsTurned()}</th>
              <th data-figure>{words.headsStripped()}</th>
              <th data-figure>{words.othersWouldStrip()}</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {bits.map(({ bench, drive, screws, stripped, usual, isWorn }) => (
              <tr key={`${bench} ${drive}`}>
                <td>{nameOf(bench)}</td>
                <td>{drive}</td>
                <td data-figure>{screws}</td>
                <td data-figure>{stripped}</td>
                <td data-figure>{words.about({ usual })}</td>
                <td>
                  {isWorn && (
                    <Box as="span" color="danger" fontWeight="600">
                      {words.worn()}
                    </Box>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </Table>
      )}
      <Box textStyle="caption" color="inkMuted" mt="8px">
        {words.bitsRenewedAtBench()}
      </Box>
    </Section>
  );
}
