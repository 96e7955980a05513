'use client';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { v4 as makeId } from 'uuid';
import type { Parcel } from '@/core/entities/entities';
import type { ColumnMapping } from '@/core/intake/columnMapping';
import type { Refusal } from '@/core/shared/outcome';
import { Button } from '@/ui/base/Button';
import { Caution } from '@/ui/base/Caution';
import { Dialog } from '@/ui/base/Dialog';
import { Input } from '@/ui/base/Input';
import { Refused } from '@/ui/base/Refused';
import { ManifestPreview, type Preview } from './ManifestPreview';
import { MapColumns } from './MapColumns';
import { send } from '@/ui/server/send';
import * as words from '@/words/catalogue/dock';

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
  const [factId] = useState(() => makeId());

  const ask = async <T,>(path: string, form: FormData): Promise<T | null> => {
    setBusy(true);
    setRefusal(null);
    const outcome = await send<T>('POST', path, form);
    setBusy(false);
    if (outcome.ok) return outcome.value;
    setRefusal(outcome.refusal);
    return null;
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
    form.set('factId', factId);
    form.set('parcelId', parcel.id);
    form.set('expects', String(parcel.version));
    form.set('takesGoodRowsOnly', 'yes');
    if (mapping) form.set('mapping', JSON.stringify(mapping));
    if (!(await ask('/api/manifest/import', form))) return;
    router.refresh();
    onClose();
  };

  return (
    <Dialog title={words.listWord({ code: parcel.code })} onClose={onClose}>
      <Box w="640px" maxW="100%">
        <Input
          type="file"
          accept=".csv,.txt,.tsv,text/csv"
          aria-label={words.manifestFile()}
          py="8px"
          onChange={(event) => void choose(event.currentTarget.files?.[0])}
          autoFocus
        />
        <Box textStyle="note" color="inkMuted" mt="6px">
          {words.csvWithHeadingsForMaker()}
        </Box>
        <Box mt="14px" role="status">
          {isBusy && words.reading()}
          {refusal && (
            <Caution what={words.notImported()}>
              <Refused refusal={refusal} />
            </Caution>
          )}
        </Box>
        {preview?.unread && (
          <Caution what={words.notYet()}>
            <Refused refusal={preview.unread} />
          </Caution>
        )}
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
          <ManifestPreview preview={preview}>
            <Button
              look="action"
              size="wide"
              mt="16px"
              w="100%"
              disabled={isBusy || preview.lineCount === 0}
              onClick={() => void take()}
            >
              {preview.badRows.length === 0
                ? words.importRow({ lineCount: preview.lineCount })
                : words.importGoodRowSkip({ lineCount: preview.lineCount, badRows: preview.badRows.length })}
            </Button>
            <Button look="quiet" mt="8px" onClick={() => setIsMapping(!isMapping)}>
              {words.columnsAreRight({ isMapping: isMapping ? 'yes' : 'no' })}
            </Button>
          </ManifestPreview>
        )}
      </Box>
    </Dialog>
  );
}
