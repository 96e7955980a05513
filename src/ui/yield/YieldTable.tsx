'use client';
import type { NamedYield } from '@/services/yields/readYields';
import { Table } from '@/ui/base/Table';

/** Every yield in figures, for those who check them by hand. */
export function YieldTable({ yields }: { readonly yields: readonly NamedYield[] }) {
  return (
    <Table>
      <thead>
        <tr>
          <th>Part</th>
          <th data-figure>Good</th>
          <th data-figure>Sought</th>
          <th>In words</th>
        </tr>
      </thead>
      <tbody>
        {yields.map((entry) => (
          <tr key={`${entry.modelId}/${entry.partRef}`} data-yield={`${entry.modelId}/${entry.partRef}`}>
            <td>{entry.name}</td>
            <td data-figure>{entry.good}</td>
            <td data-figure>{entry.sought}</td>
            <td>{entry.says}</td>
          </tr>
        ))}
      </tbody>
    </Table>
  );
}
