'use client';
import { say as sayYields } from '@/words/catalogue/core/yields';
import type { NamedYield } from '@/services/yields/readYields';
import { Table } from '@/ui/base/Table';
import * as words from '@/words/catalogue/yield';

/** Every yield in figures, for those who check them by hand. */
export function YieldTable({ yields }: { readonly yields: readonly NamedYield[] }) {
  return (
    <Table>
      <thead>
        <tr>
          <th>{words.part()}</th>
          <th data-figure>{words.good()}</th>
          <th data-figure>{words.sought()}</th>
          <th>{words.summary()}</th>
        </tr>
      </thead>
      <tbody>
        {yields.map((entry) => (
          <tr key={`${entry.modelId}/${entry.partRef}`} data-yield={`${entry.modelId}/${entry.partRef}`}>
            <td>{entry.name}</td>
            <td data-figure>{entry.good}</td>
            <td data-figure>{entry.sought}</td>
            <td>{sayYields(entry.says)}</td>
          </tr>
        ))}
      </tbody>
    </Table>
  );
}
