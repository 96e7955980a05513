import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readDock } from '@/services/dock/readDock';
import { DockScreen } from '@/ui/dock/DockScreen';

export const metadata = { title: 'Dock · Plucky Parcel' };

export default async function DockPage({ searchParams }: { readonly searchParams: Promise<{ parcel?: string }> }) {
  await guardPage();
  const { parcel } = await searchParams;
  return <DockScreen {...await readDock(database(), parcel)} today={new Date().toISOString().slice(0, 10)} />;
}
