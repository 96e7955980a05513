import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readInstruments } from '@/services/instruments/readInstruments';
import { InstrumentsScreen } from '@/ui/instruments/InstrumentsScreen';
import * as words from '@/words/catalogue/app';

export const metadata = { title: words.instrumentsPluckyParcel() };

export default async function InstrumentsPage() {
  const { bench } = await guardPage('/instruments');
  return <InstrumentsScreen view={await readInstruments(database(), bench, new Date())} />;
}
