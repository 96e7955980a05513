'use client';
import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import { manifestFields, type ColumnMapping, type ManifestField } from '@/core/intake/columnMapping';
import { Button } from '@/ui/base/Button';
import { Select } from '@/ui/base/Input';
import * as words from '@/words/catalogue/dock';

const fieldNames: Readonly<Record<ManifestField, string>> = {
  line: words.lineNumber(),
  maker: 'maker',
  model: 'model',
  serial: 'serial',
  note: words.condition(),
};

/** Which column is which, said once by hand and remembered for the supplier. */
export function MapColumns({
  head,
  sample,
  mapping,
  onMap,
}: {
  readonly head: readonly string[];
  readonly sample: readonly (readonly string[])[];
  readonly mapping: ColumnMapping;
  readonly onMap: (mapping: ColumnMapping) => void;
}) {
  const [draft, setDraft] = useState(mapping);
  const fieldAt = (column: number) => manifestFields.find((field) => draft.columns[field] === column) ?? '';
  const say = (column: number, field: string) => {
    const others = Object.entries(draft.columns).filter(([name, at]) => at !== column && name !== field);
    const columns = Object.fromEntries(field === '' ? others : [...others, [field, column]]);
    setDraft({ ...draft, columns });
  };
  return (
    <Box mt="12px" borderTopWidth="1px" borderColor="rule" pt="10px">
      <Box textStyle="note" mb="8px">
        {words.assignEachColumnRememberedFor()}
      </Box>
      <Box display="grid" gap="6px" maxH="220px" overflowY="auto">
        {head.map((name, column) => (
          <Box key={column} display="grid" gridTemplateColumns="150px minmax(0, 1fr)" gap="10px" alignItems="center">
            <Select
              aria-label={words.columnFor({ column: column + 1 })}
              minH="0"
              h="34px"
              value={fieldAt(column)}
              onChange={(event) => say(column, event.currentTarget.value)}
            >
              <option value="">{words.notNeeded()}</option>
              {manifestFields.map((field) => (
                <option key={field} value={field}>
                  {fieldNames[field]}
                </option>
              ))}
            </Select>
            <Box textStyle="note" overflow="hidden" textOverflow="ellipsis" whiteSpace="nowrap">
              <strong>{name}</strong> {sample.map((row) => row[column] ?? '').join(' · ')}
            </Box>
          </Box>
        ))}
      </Box>
      <Box display="flex" gap="16px" alignItems="center" mt="10px">
        <Box as="label" textStyle="note" display="flex" gap="8px" alignItems="center">
          <input
            type="checkbox"
            checked={draft.hasHeading}
            onChange={(event) => setDraft({ ...draft, hasHeading: event.currentTarget.checked })}
          />
          {words.firstLineHasHeadings()}
        </Box>
        <Button look="outline" onClick={() => onMap(draft)}>
          {words.importWithTheseColumns()}
        </Button>
      </Box>
    </Box>
  );
}
