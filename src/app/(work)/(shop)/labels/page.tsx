import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readPrinter } from '@/services/labels/readPrinter';
import { PrinterScreen } from '@/ui/labels/PrinterScreen';

export const metadata = { title: 'Label printer · Plucky Parcel' };

export default async function PrinterPage() {
  await guardPage('technician');
  return <PrinterScreen view={await readPrinter(database())} />;
}
