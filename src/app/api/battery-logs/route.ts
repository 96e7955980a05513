import { NextResponse } from 'next/server';
import { answerRefusal, guardRoute } from '@/app/access';
import { BatteryLogDto } from '@/dto/grade/BatteryLogDto';
import { parseDto } from '@/dto/parseDto';
import { readAside } from '@/workers/documents/readAside';
import { uploadedFile } from '@/app/uploadedFile';

/** Reads the log of a battery analyser and says what it holds. Nothing is written: the person takes it as a reading, or not. */
export const POST = guardRoute('POST /api/battery-logs', async (request) => {
  const file = await uploadedFile(request);
  if (!file.ok) return answerRefusal(file);
  const { form, bytes } = file.value;
  const figure = (name: string) => Number(form.get(name) ?? Number.NaN);
  const limits = parseDto(BatteryLogDto, { ratedAmpHours: figure('ratedAmpHours'), cutOffVolt: figure('cutOffVolt') });
  if (!limits.ok) return answerRefusal(limits);
  const told = await readAside('battery-log', { bytes, ...limits.value });
  const log = told.ok ? told.value : told;
  return log.ok ? NextResponse.json(log.value) : answerRefusal(log);
});
