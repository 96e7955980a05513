import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readPrinter } from '@/services/labels/readPrinter';
import { PrinterScreen } from '@/ui/labels/PrinterScreen';
import * as words from '@/words/catalogue/app';

export const metadata = { title: words.labelPrinterPluckyParcel() };

export default async function PrinterPage() {
  await guardPage('/labels');
  return <PrinterScreen view={await readPrinter(database(), new Date())} />;
}
