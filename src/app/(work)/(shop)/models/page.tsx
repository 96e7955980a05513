import { guardPage } from '@/app/access';
import { isAtLeastRole } from '@/core/people/roles';
import { database } from '@/data/connection';
import { readDrafts } from '@/services/drafts/readDrafts';
import { readOffered } from '@/services/models/readOffered';
import { findModels } from '@/services/models/findModels';
import { ModelsScreen } from '@/ui/models/ModelsScreen';
import * as words from '@/words/catalogue/app';

export const metadata = { title: words.modelsPluckyParcel() };

export default async function ModelsPage() {
  const person = await guardPage('/models');
  const [library, unfinished, offered] = await Promise.all([
    findModels(database(), { text: '' }),
    readDrafts(database()),
    readOffered(database()),
  ]);
  return (
    <ModelsScreen
      library={library}
      unfinished={unfinished}
      offered={offered}
      mayWrite={isAtLeastRole(person.role, 'lead')}
      mayLog={isAtLeastRole(person.role, 'technician')}
    />
  );
}
