import { readRules } from '@/services/rules/readRules';
import { shopDay } from '@/core/shared/shopDay';
import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readDock } from '@/services/dock/readDock';
import { DockScreen } from '@/ui/dock/DockScreen';
import * as words from '@/words/catalogue/app';

export const metadata = { title: words.dockPluckyParcel() };

export default async function DockPage({ searchParams }: { readonly searchParams: Promise<{ parcel?: string }> }) {
  await guardPage('/dock');
  const { parcel } = await searchParams;
  const { shop } = await readRules(database());
  return <DockScreen {...await readDock(database(), parcel)} today={shopDay(new Date().getTime(), shop.timeZone)} />;
}
