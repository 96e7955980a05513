'use client';
import { Box } from '@chakra-ui/react';
import { useEffect, useRef, useState } from 'react';
import type { CellRecord } from '@/core/battery/cellRecord';
import type { Discharge } from '@/core/battery/dischargeLog';
import type { GaugeRecord, Health } from '@/core/battery/health';
import { cellsInSeries } from '@/core/battery/pack';
import type { Part } from '@/core/entities/entities';
import type { Readings } from '@/core/grading/attributes';
import type { PlusMinus } from '@/core/grading/doubt';
import type { Refusal } from '@/core/shared/outcome';
import type { Limits } from '@/core/shared/gradingRules';
import type { PartKind } from '@/data/models/partKinds';
import { Caution } from '@/ui/base/Caution';
import { Refused } from '@/ui/base/Refused';
import { Section } from '@/ui/base/Section';
import type { Shop } from '@/ui/facts/ShopProvider';
import { KeyButton } from '@/ui/keys/KeyButton';
import { send } from '@/ui/server/send';
import type { LiveRun } from '@/ui/instruments/useHeardParts';
import { number, tenths } from '@/words/format';
import { sayCell } from '@/words/say/sayCell';
import * as words from '@/words/catalogue/grade';
import { capacityRead } from './believed';
import { CellDialog } from './CellDialog';
import { DischargeChart } from './DischargeChart';
import { fileOfRun } from './fileOfRun';
import { OnCharger } from './OnCharger';

interface ReadLog {
  readonly discharge: Discharge;
  readonly health: Health;
  readonly assumed: readonly ('mV' | 'mA')[];
  readonly isCutOff: boolean;
}

/** Curves that were read on this page, by part: the log keeps their figures, not their points. */
const curves = new Map<string, ReadLog>();

/** A device's cells are run down to this each. */
const cutOffPerCell = 3;

/** A cell on the bench: its log with what was counted, its label, and what its unit said of it. */
export function BatteryBench({
  part,
  shop,
  readings,
  cell,
  kind,
  limits,
  gauge,
  run,
  onCell,
}: {
  readonly part: Part;
  /** Null on a second look, which changes nothing. */
  readonly shop: Shop | null;
  readonly readings: Readings;
  readonly cell: CellRecord;
  readonly kind: PartKind;
  readonly limits: Limits;
  readonly gauge: GaugeRecord;
  /** What an analyser streams now. */
  readonly run: LiveRun | null;
  readonly onCell: (cell: CellRecord, readings: Readings, plusMinus: PlusMinus) => void;
}) {
  const field = useRef<HTMLInputElement>(null);
  const [log, setLog] = useState(() => curves.get(part.id));
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const [isBusy, setBusy] = useState(false);
  const [isAsking, setAsking] = useState(false);
  const rated = cell.label?.ratedAmpHours ?? kind.ratedAmpHours ?? 0;
  const cells = cellsInSeries(null, cell.label?.ratedVolt ?? kind.cell?.volt ?? 3.7);
  const cutOffVolt = cutOffPerCell * (cells.ok ? cells.value : 1);

  const take = (next: CellRecord, readings: Readings = {}, plusMinus: PlusMinus = {}) => {
    const capacity = capacityRead({ ...cell, ...next }, gauge);
    const rounded = (value: number) => Math.round(value * 100) / 100;
    onCell(
      next,
      { ...readings, ...(capacity && { capacityShare: rounded(capacity.value) }) },
      { ...plusMinus, ...(capacity && { capacityShare: rounded(capacity.plusMinus) }) },
    );
  };
  const readLog = async (file: File | undefined) => {
    if (!file) return;
    const form = new FormData();
    form.set('file', file);
    form.set('ratedAmpHours', String(rated));
    form.set('cutOffVolt', String(cutOffVolt));
    setBusy(true);
    const outcome = await send<ReadLog>('POST', '/api/battery-logs', form);
    setBusy(false);
    setRefusal(outcome.ok ? null : outcome.refusal);
    if (!outcome.ok) return;
    const { discharge, health } = outcome.value;
    curves.set(part.id, outcome.value);
    setLog(outcome.value);
    const { resistanceMilliOhm } = health;
    take(
      {
        analyserShare: health.capacityShare.value,
        analyserPlusMinus: health.capacityShare.plusMinus,
        ampHours: health.ampHours.value,
        wattHours: discharge.wattHours,
        samples: discharge.samples,
        gaps: discharge.gaps.length,
        ...(discharge.meanCelsius !== null && { celsius: discharge.meanCelsius }),
      },
      resistanceMilliOhm ? { resistanceMilliOhm: Math.round(resistanceMilliOhm.value * 10) / 10 } : {},
      resistanceMilliOhm ? { resistanceMilliOhm: Math.round(resistanceMilliOhm.plusMinus * 10) / 10 } : {},
    );
  };
  const latest = useRef(readLog);
  useEffect(() => {
    latest.current = readLog;
  });
  // A run that is over is read as its file would be.
  useEffect(() => {
    if (run?.isOver) void latest.current(fileOfRun(run.samples));
  }, [run]);
  const last = run && !run.isOver ? run.samples.at(-1) : undefined;
  return (
    <Section
      title={words.discharge()}
      note={
        log
          ? words.logNote({
              samples: log.discharge.samples,
              hasCelsius: log.discharge.meanCelsius === null ? 'no' : 'yes',
              celsius: tenths(log.discharge.meanCelsius ?? 0),
            })
          : undefined
      }
    >
      {last && (
        <Box role="status" py="10px" fontWeight="600">
          {words.runningNow({ samples: run?.samples.length ?? 0, volt: number(last[1]), ampere: number(last[2]) })}
        </Box>
      )}
      {log && (
        <DischargeChart discharge={log.discharge} ratedAmpHours={rated} cutOffVolt={cutOffVolt} limits={limits} />
      )}
      {log && <LogRemarks log={log} />}
      {refusal && (
        <Caution what="">
          <Refused refusal={refusal} />
        </Caution>
      )}
      <Box display="flex" flexWrap="wrap" gap="10px" alignItems="center" py="10px">
        <KeyButton
          records
          keyName="l"
          label={words.readLog({ isAgain: log ? 'yes' : 'no' })}
          size="small"
          look="outline"
          isEnabled={!isBusy && rated > 0}
          onPress={() => field.current?.click()}
        />
        <KeyButton records keyName="b" label={words.labelAndGauge()} size="small" onPress={() => setAsking(true)} />
        <Box textStyle="note" color="inkMuted" flexBasis="100%">
          {isBusy ? words.readingLog() : sayCell(cell)}
        </Box>
      </Box>
      {shop && rated > 0 && (part.conditioning || cell.analyserShare === undefined) && (
        <OnCharger
          {...{ part, cell, shop }}
          ratedAmpHours={rated}
          capacityShare={typeof readings.capacityShare === 'number' ? readings.capacityShare : undefined}
        />
      )}
      <input
        ref={field}
        type="file"
        accept=".csv,.txt,.tsv,text/csv"
        hidden
        aria-label={words.readLog({ isAgain: log ? 'yes' : 'no' })}
        onChange={(event) => {
          const { currentTarget } = event;
          void readLog(currentTarget.files?.[0]).finally(() => (currentTarget.value = ''));
        }}
      />
      {isAsking && (
        <CellDialog
          cell={cell}
          kind={kind}
          onClose={() => setAsking(false)}
          onTake={(next, readings, plusMinus) => {
            setAsking(false);
            take(next, readings, plusMinus);
          }}
        />
      )}
    </Section>
  );
}

/** What has to be known of a log before its figures are believed. */
function LogRemarks({ log: { discharge, health, assumed, isCutOff } }: { readonly log: ReadLog }) {
  const remarks = [
    discharge.gaps.length > 0 &&
      words.gapsBridged({
        gaps: discharge.gaps.length,
        seconds: Math.round(discharge.gaps.reduce((sum, { seconds }) => sum + seconds, 0)),
        share: Math.abs(discharge.gaps.reduce((sum, { ampHours }) => sum + ampHours, 0)) / discharge.ampHours,
      }),
    discharge.resets > 0 && words.clockBeganAnew({ times: discharge.resets }),
    assumed.length > 0 && words.unitsAssumed({ units: assumed }),
    isCutOff && words.lastLineLeftOut(),
    health.putRight > 0.002 && words.putRightTo({ share: health.putRight }),
  ].filter(Boolean);
  return (
    <>
      {!discharge.isWhole && (
        <Caution tone="waiting" what={words.notToTheEnd()}>
          {words.holdsMore()}
        </Caution>
      )}
      {remarks.length > 0 && (
        <Box textStyle="note" color="inkMuted" pt="4px">
          {remarks.join(' ')}
        </Box>
      )}
    </>
  );
}
