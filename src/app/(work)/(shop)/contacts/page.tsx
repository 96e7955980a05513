import { guardPage } from '@/app/access';
import { database } from '@/data/connection';
import { readContacts } from '@/services/contacts/readContacts';
import { ContactsScreen } from '@/ui/contacts/ContactsScreen';
import * as words from '@/words/catalogue/app';

export const metadata = { title: words.contactsPluckyParcel() };

export default async function ContactsPage() {
  await guardPage('/contacts');
  return <ContactsScreen contacts={await readContacts(database())} />;
}
