import type { Part } from '@/core/entities/entities';
import type { BoxFill } from '@/core/shelf/roomLeft';
import { send } from '@/ui/server/send';
import { categoryNames } from '@/words/say/names';
import { sayRefusal } from '@/words/say/sentences';
import * as texts from '@/words/catalogue/shelf';

/** A bin that a person named for a part, by typing or scanning it; one that is full or for something else says so. */
export async function binFor(
  name: string,
  part: Pick<Part, 'category'>,
): Promise<{ readonly ok: true; readonly bin: string } | { readonly ok: false; readonly fault: string }> {
  const asked = await send<BoxFill | null>('GET', `/api/bins/${encodeURIComponent(name.trim())}`);
  if (!asked.ok) return { ok: false, fault: sayRefusal(asked.refusal) };
  if (!asked.value) return { ok: false, fault: texts.noSuchBin() };
  const { code: bin, room, count, category } = asked.value;
  if (category !== null && category !== part.category)
    return { ok: false, fault: texts.binForOthers({ bin, kind: categoryNames[category] }) };
  return count >= room ? { ok: false, fault: texts.binIsFull({ bin, room }) } : { ok: true, bin };
}
