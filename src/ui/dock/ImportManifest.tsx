'use client';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { v4 as makeId } from 'uuid';
import type { Parcel } from '@/core/bench/entities';
import type { ColumnMapping } from '@/core/intake/columnMapping';
import type { BadRow, ManifestLine } from '@/core/intake/readManifest';
import type { Refusal } from '@/core/shared/outcome';
import { Button } from '@/ui/base/Button';
import { Caution } from '@/ui/base/Caution';
import { Dialog } from '@/ui/base/Dialog';
import { Input } from '@/ui/base/Input';
import { sayCount } from '@/ui/words/amounts';
import { sayRefusal } from '@/ui/words/sentences';
import { MapColumns } from './MapColumns';

interface Preview {
  readonly encoding: string;
  readonly separator: string;
  readonly lineCount: number;
  readonly firstLines: readonly ManifestLine[];
  readonly badRows: readonly BadRow[];
  readonly columns: Readonly<Record<string, string>>;
  readonly head: readonly string[];
  readonly sample: readonly (readonly string[])[];
  readonly mapping: ColumnMapping;
  /** Why no row can be taken as it is; null when some can. */
  readonly unread: Refusal | null;
}

const separatorNames: Readonly<Record<string, string>> = {
  ',': 'commas',
  ';': 'semicolons',
  '\t': 'tabs',
  '|': 'bars',
};
const shownBadRows = 50;

/** Choose the file, look at what would be taken and what not and why, then take the good rows. */
export function ImportManifest({ parcel, onClose }: { readonly parcel: Parcel; readonly onClose: () => void }) {
  const router = useRouter();
  const [file, setFile] = useState<File | null>(null);
  const [preview, setPreview] = useState<Preview | null>(null);
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const [isBusy, setBusy] = useState(false);
  // Said by hand; until then the headings, or what is remembered, say it.
  const [mapping, setMapping] = useState<ColumnMapping | null>(null);
  const [isMapping, setIsMapping] = useState(false);
  // One id for this import: pressing twice, or again after a lost answer, takes the list in once.
  const [eventId] = useState(() => makeId());

  const ask = async <T,>(path: string, form: FormData): Promise<T | null> => {
    setBusy(true);
    setRefusal(null);
    try {
      const response = await fetch(path, { method: 'POST', body: form });
      const answer = (await response.json()) as T & { refusal?: Refusal };
      if (answer.refusal) setRefusal(answer.refusal);
      return answer.refusal ? null : answer;
    } catch {
      setRefusal({ reason: 'server-away', facts: {} });
      return null;
    } finally {
      setBusy(false);
    }
  };

  const choose = async (chosen: File | undefined) => {
    setPreview(null);
    setFile(chosen ?? null);
    if (!chosen) return;
    setMapping(null);
    await look(chosen, null);
  };

  const look = async (chosen: File, said: ColumnMapping | null) => {
    const form = new FormData();
    form.set('file', chosen);
    form.set('parcelId', parcel.id);
    if (said) form.set('mapping', JSON.stringify(said));
    const seen = await ask<Preview>('/api/manifest/preview', form);
    setPreview(seen);
    setIsMapping(seen?.unread?.reason === 'columns-missing');
  };

  const take = async () => {
    if (!file) return;
    const form = new FormData();
    form.set('file', file);
    form.set('eventId', eventId);
    form.set('parcelId', parcel.id);
    form.set('expects', String(parcel.version));
    form.set('takesGoodRowsOnly', 'yes');
    if (mapping) form.set('mapping', JSON.stringify(mapping));
    if (!(await ask('/api/manifest/import', form))) return;
    router.refresh();
    onClose();
  };

  return (
    <Dialog title={`List of ${parcel.code}`} onClose={onClose}>
      <Box w="640px" maxW="100%">
        <Input
          type="file"
          accept=".csv,.txt,.tsv,text/csv"
          aria-label="Manifest file"
          py="8px"
          onChange={(event) => void choose(event.currentTarget.files?.[0])}
          autoFocus
        />
        <Box textStyle="note" color="inkMuted" mt="6px">
          CSV with a heading for maker and model; line, serial and condition if there are any. Encoding and separator
          are found.
        </Box>
        <Box mt="14px" role="status">
          {isBusy && 'Reading …'}
          {refusal && <Caution what="Not taken.">{sayRefusal(refusal)}</Caution>}
        </Box>
        {preview?.unread && <Caution what="Not yet.">{sayRefusal(preview.unread)}</Caution>}
        {preview && isMapping && file && (
          <MapColumns
            key={JSON.stringify(preview.mapping)}
            head={preview.head}
            sample={preview.sample}
            mapping={preview.mapping}
            onMap={(said) => {
              setMapping(said);
              void look(file, said);
            }}
          />
        )}
        {preview && !preview.unread && (
          <>
            <Box textStyle="lead" fontWeight="600" mt="10px">
              {sayCount(preview.lineCount, 'good row')},{' '}
              {preview.badRows.length === 0 ? 'no problem' : `${preview.badRows.length} with a problem`}
            </Box>
            <Box textStyle="note" color="inkMuted" mb="10px">
              {preview.encoding}, separated by {separatorNames[preview.separator]}. Columns:{' '}
              {Object.entries(preview.columns)
                .map(([field, heading]) => `${field} = “${heading}”`)
                .join(', ')}
              .
            </Box>
            {preview.badRows.length > 0 && (
              <Box
                as="ul"
                maxH="180px"
                overflowY="auto"
                borderTopWidth="1px"
                borderColor="rule"
                tabIndex={0}
                aria-label="Rows with a problem"
              >
                {preview.badRows.slice(0, shownBadRows).map((row) => (
                  <Box as="li" key={row.fileLine} py="6px" borderBottomWidth="1px" borderColor="rule" textStyle="note">
                    <Box as="span" color="danger" fontWeight="600">
                      Line {row.fileLine}: {row.problem}
                    </Box>
                    <Box
                      fontFamily="mono"
                      fontSize="12px"
                      color="inkMuted"
                      overflow="hidden"
                      textOverflow="ellipsis"
                      whiteSpace="nowrap"
                    >
                      {row.text}
                    </Box>
                  </Box>
                ))}
                {preview.badRows.length > shownBadRows && (
                  <Box py="6px">and {preview.badRows.length - shownBadRows} more</Box>
                )}
              </Box>
            )}
            <Box as="ul" mt="10px" textStyle="note" fontFamily="mono">
              {preview.firstLines.slice(0, 4).map((line) => (
                <li key={line.lineNo}>
                  {line.lineNo} {line.maker} {line.model} {line.serial}
                </li>
              ))}
              {preview.lineCount > 4 && <li>…</li>}
            </Box>
            <Button
              look="action"
              size="wide"
              mt="16px"
              w="100%"
              disabled={isBusy || preview.lineCount === 0}
              onClick={() => void take()}
            >
              {preview.badRows.length === 0
                ? `Take ${sayCount(preview.lineCount, 'row')}`
                : `Take the ${sayCount(preview.lineCount, 'good row')}, leave ${preview.badRows.length}`}
            </Button>
            <Button look="quiet" mt="8px" onClick={() => setIsMapping(!isMapping)}>
              {isMapping ? 'The columns are right' : 'Say which column is which'}
            </Button>
          </>
        )}
      </Box>
    </Dialog>
  );
}
