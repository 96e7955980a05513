import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readPrices } from '@/services/prices/readPrices';
import { PricesScreen } from '@/ui/prices/PricesScreen';
import * as words from '@/words/catalogue/app';

export const metadata = { title: words.pricesPluckyParcel() };

export default async function PricesPage({
  searchParams,
}: {
  readonly searchParams: Promise<{ readonly model?: string }>;
}) {
  await guardPage('/prices');
  const { model } = await searchParams;
  const view = await readPrices(database(), typeof model === 'string' ? model : undefined, new Date());
  return <PricesScreen key={view.chosen} view={view} />;
}
