'use client';
import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import type { CellRecord } from '@/core/battery/cellRecord';
import { readLamps } from '@/core/battery/lamps';
import { balanceOf, cellsInSeries, labelFits, placeOfCell } from '@/core/battery/pack';
import type { Readings } from '@/core/grading/attributes';
import type { PlusMinus } from '@/core/grading/doubt';
import type { Refusal } from '@/core/shared/outcome';
import type { PartKind } from '@/data/models/partKinds';
import { Button } from '@/ui/base/Button';
import { Dialog } from '@/ui/base/Dialog';
import { Field } from '@/ui/base/Field';
import { Input } from '@/ui/base/Input';
import { Refused } from '@/ui/base/Refused';
import { KeyLayer } from '@/ui/keys/KeysProvider';
import { readNumber, writeNumber } from '@/words/say/readNumber';
import * as words from '@/words/catalogue/grade';

/** The label of a cell, matched against its place; its unit's own reading; and the taps of a pack at rest. */
export function CellDialog({
  cell,
  kind,
  onTake,
  onClose,
}: {
  readonly cell: CellRecord;
  readonly kind: PartKind;
  readonly onTake: (cell: CellRecord, readings: Readings, plusMinus: PlusMinus) => void;
  readonly onClose: () => void;
}) {
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const given = (value: number | undefined) => (value === undefined ? '' : writeNumber(value));
  const take = (form: FormData) => {
    const written = (name: string) => String(form.get(name) ?? '').trim();
    const figure = (name: string) => (written(name) === '' ? undefined : (readNumber(written(name)) ?? Number.NaN));
    const label = {
      type: written('type'),
      ratedAmpHours: figure('ratedAmpHours'),
      ratedVolt: figure('ratedVolt'),
      limitVolt: figure('limitVolt'),
    };
    const gaugeShare = figure('gaugeShare');
    const taps = written('taps')
      .split(/\s+/)
      .filter(Boolean)
      .map((tap) => readNumber(tap) ?? Number.NaN);
    const wrong = (field: string) => setRefusal({ reason: 'bad-input', values: { field, says: words.aNumber() } });
    const figures = [label.ratedAmpHours, label.ratedVolt, label.limitVolt];
    if (figures.some(Number.isNaN) || taps.some(Number.isNaN)) return wrong(words.labelFigures());
    if (gaugeShare !== undefined && !(gaugeShare <= 120)) return wrong(words.ownGauge());
    const hasLabel = label.type !== '' && figures.every((each) => each !== undefined);
    if (!hasLabel && (label.type !== '' || figures.some((each) => each !== undefined)))
      return wrong(words.labelFigures());
    if (hasLabel) {
      const read = label as NonNullable<CellRecord['label']>;
      const fits = labelFits(read, placeOfCell(kind, read));
      if (!fits.ok) return setRefusal(fits.refusal);
    }
    let readings: Readings = {};
    if (taps.length > 0) {
      const cells = cellsInSeries(taps.length + 1, label.ratedVolt ?? kind.cell?.volt ?? 3.7);
      if (!cells.ok) return setRefusal(cells.refusal);
      const balance = balanceOf(taps);
      if (!balance.ok) return setRefusal(balance.refusal);
      readings = { imbalanceMilliVolt: Math.round(balance.value.milliVolt) };
    }
    let plusMinus: PlusMinus = {};
    const [lit, of] = [figure('lit'), figure('lamps')];
    if (lit !== undefined || of !== undefined) {
      const read = readLamps(lit ?? Number.NaN, of ?? Number.NaN);
      if (!read.ok) return setRefusal(read.refusal);
      readings = { ...readings, capacityShare: read.value.share };
      plusMinus = { capacityShare: read.value.plusMinus };
    }
    onTake(
      {
        ...(hasLabel && { label: label as NonNullable<CellRecord['label']> }),
        ...(gaugeShare !== undefined && { gaugeShare }),
      },
      readings,
      plusMinus,
    );
  };
  const { label } = cell;
  return (
    <KeyLayer>
      <Dialog title={words.labelAndGauge()} onClose={onClose}>
        <form
          onSubmit={(event) => {
            event.preventDefault();
            take(new FormData(event.currentTarget));
          }}
        >
          <Box display="grid" gap="12px" gridTemplateColumns={{ base: '1fr', sm: '1fr 1fr' }}>
            <Field label={words.typeCode()}>
              <Input
                name="type"
                defaultValue={label?.type ?? ''}
                maxLength={40}
                autoFocus
                autoComplete="off"
                w="100%"
              />
            </Field>
            <Field label={words.ratedAmpHours()}>
              <Input name="ratedAmpHours" inputMode="decimal" defaultValue={given(label?.ratedAmpHours)} w="100%" />
            </Field>
            <Field label={words.ratedVolt()}>
              <Input name="ratedVolt" inputMode="decimal" defaultValue={given(label?.ratedVolt)} w="100%" />
            </Field>
            <Field label={words.limitVolt()}>
              <Input name="limitVolt" inputMode="decimal" defaultValue={given(label?.limitVolt)} w="100%" />
            </Field>
            <Field label={words.ownGauge()}>
              <Input name="gaugeShare" inputMode="decimal" defaultValue={given(cell.gaugeShare)} w="100%" />
            </Field>
            <Field label={words.tapsAtRest()}>
              <Input name="taps" placeholder={words.tapsExample()} autoComplete="off" w="100%" />
            </Field>
            <Field label={words.lampsLit()}>
              <Input name="lit" inputMode="numeric" autoComplete="off" w="100%" />
            </Field>
            <Field label={words.lampsThereAre()}>
              <Input name="lamps" inputMode="numeric" autoComplete="off" w="100%" />
            </Field>
            <Box gridColumn="1 / -1" textStyle="note" color="inkMuted">
              {words.neverByLooks()}
            </Box>
            {refusal && (
              <Box gridColumn="1 / -1" color="danger" role="alert">
                <Refused refusal={refusal} />
              </Box>
            )}
            <Box gridColumn="1 / -1" display="flex" justifyContent="flex-end">
              <Button type="submit" look="action">
                {words.takeLabel()}
              </Button>
            </Box>
          </Box>
        </form>
      </Dialog>
    </KeyLayer>
  );
}
