import { guardPage } from '@/app/access';
import { servedFrom } from '@/app/servedFrom';
import { database } from '@/data/connection';
import { readMachine } from '@/services/machine/readMachine';
import { MachineScreen } from '@/ui/machine/MachineScreen';
import * as words from '@/words/catalogue/app';

export const metadata = { title: words.machinePluckyParcel() };

export default async function MachinePage() {
  await guardPage('/machine');
  return <MachineScreen {...await readMachine(database(), servedFrom(), new Date())} />;
}
