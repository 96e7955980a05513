import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readSend } from '@/services/send/readSend';
import { SendScreen } from '@/ui/send/SendScreen';
import { openShipmentAction } from './actions';
import * as words from '@/words/catalogue/app';

export const metadata = { title: words.sendPluckyParcel() };

export default async function SendPage() {
  await guardPage('/send');
  return <SendScreen view={await readSend(database(), new Date())} openShipment={openShipmentAction} />;
}
