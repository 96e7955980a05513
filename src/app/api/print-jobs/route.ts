import 'server-only';
import { NextResponse, type NextRequest } from 'next/server';
import { answerError, answerRefusal } from '@/app/access';
import { bearerOf } from '@/app/bearer';
import { refuse } from '@/core/shared/outcome';
import { takeOne, type Bucket, type Pace } from '@/core/reading/rateLimit';
import { database } from '@/data/connection';
import { findInstrument } from '@/data/instruments/instrumentKeys';
import { PrinterSaysDto } from '@/dto/labels/PrinterSaysDto';
import { parseDto } from '@/dto/parseDto';
import type { PrintJob } from '@/core/instruments/printing';
import { drawLabelSvg } from '@/files/drawLabelSvg';
import { printLabels } from '@/services/labels/printLabels';
import { readLabels } from '@/services/labels/readLabels';
import { servePrinter, type Taken } from '@/services/labels/servePrinter';

/** What each printer may still ask, in this server's memory. */
const buckets = new Map<string, Bucket>();
const pace: Pace = { mostAtOnce: 30, perSecond: 5 };
const mostBytes = 20_000;

/**
 * A label printer says what came out and takes on what waits (docs/formats/printing.md). For whoever carries a key of a bench;
 * only labels that wait can be read with it.
 */
export async function POST(request: NextRequest): Promise<Response> {
  try {
    const key = bearerOf(request);
    const printer = key === undefined ? undefined : await findInstrument(database(), key);
    if (!printer) return answerRefusal(refuse('not-signed-in'), 401);
    if (Number(request.headers.get('content-length') ?? 0) > mostBytes)
      return answerRefusal(refuse('too-large', { most: '20 kB' }), 413);
    const { bucket, isAllowed, waitSeconds } = takeOne(buckets.get(printer.id), Date.now(), pace);
    buckets.set(printer.id, bucket);
    if (!isAllowed)
      return answerRefusal(refuse('reading-flood', { instrument: 'label-printer', wait: waitSeconds }), 429);
    const parsed = parseDto(PrinterSaysDto, await request.json().catch(() => null));
    if (!parsed.ok) return answerRefusal(parsed);
    const now = new Date();
    const taken = await servePrinter(database(), printer.id, parsed.value, now);
    if (!taken.ok) return answerRefusal(taken);
    const { jobs: all, waiting } = taken.value;
    const drawn = await Promise.all(all.map((job) => drawJob(job, now)));
    const jobs = drawn.filter((job) => job !== null);
    const gone = all.filter(({ id }) => !jobs.some((job) => job.id === id)).map(({ id }) => id);
    if (gone.length > 0) await printLabels(database(), gone, now);
    return NextResponse.json({ jobs, waiting: waiting - gone.length });
  } catch (error) {
    return answerError(error);
  }
}

/** null where the unit or part is there no longer: nobody could use its label. */
async function drawJob({ id, tag }: Taken['jobs'][number], now: Date): Promise<PrintJob | null> {
  const found = await readLabels(database(), tag, now);
  const label = found?.labels[0];
  return label ? { id, tag, svg: drawLabelSvg(label, found.paper) } : null;
}
