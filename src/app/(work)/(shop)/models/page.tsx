import { guardPage } from '@/app/access';
import { isAtLeastRole } from '@/core/people/roles';
import { database } from '@/data/connection';
import { readModels } from '@/services/models/readModels';
import { ModelsScreen } from '@/ui/models/ModelsScreen';

export const metadata = { title: 'Models · Plucky Parcel' };

export default async function ModelsPage() {
  const person = await guardPage();
  const models = await readModels(database());
  const summaries = models.map(({ id, version, maker, name, kind, letters, parts, operations, joints }) => ({
    id,
    version,
    maker,
    name,
    kind,
    letters,
    parts: parts.length,
    operations: operations.length,
    screws: joints.filter((joint) => joint.kind === 'screw').length,
  }));
  return <ModelsScreen models={summaries} mayImport={isAtLeastRole(person.role, 'lead')} />;
}
