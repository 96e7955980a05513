import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readAgreement } from '@/services/grade/readAgreement';
import { AgreementScreen } from '@/ui/grade/AgreementScreen';
import * as words from '@/words/catalogue/app';

export const metadata = { title: words.agreementPluckyParcel() };

export default async function AgreementPage() {
  await guardPage('/grade/agreement');
  return <AgreementScreen view={await readAgreement(database())} />;
}
