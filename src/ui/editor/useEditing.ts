'use client';
import { useRouter } from 'next/navigation';
import { useDeferredValue, useMemo, useState } from 'react';
import { v4 as uuid } from 'uuid';
import type { ModelProblem } from '@/core/procedure/checks/problem';
import type { Model } from '@/core/procedure/model';
import { applyPatch, type Path } from '@/core/procedure/patch';
import type { Refusal } from '@/core/shared/outcome';
import type { DraftView } from '@/services/drafts/readDraft';
import { sayLater } from '@/ui/base/Refused';
import { late, useLate } from '@/ui/base/late';
import { send } from '@/ui/server/send';
import { sayPatch } from '@/words/say/sayPatch';
import type { DraftStore } from './draftStore';
import { problemsOf } from './LineTable';
import { useDraft } from './useDraft';

/** The checker knows every rule of the format: it comes after the lines are drawn. */
const checker = late(async () => (await import('@/core/procedure/checkModel')).checkModel);
const none: readonly ModelProblem[] = [];

/** A draft under the hand: the line that is at hand, what the checker finds, and everything that changes the model. */
export function useEditing(view: DraftView) {
  const router = useRouter();
  const { store, state } = useDraft(view);
  const { model } = state;
  const checked = useDeferredValue(model);
  const check = useLate(checker);
  const found = useMemo(() => check?.(checked) ?? null, [check, checked]);
  const problems = found ?? none;
  const [place, setPlace] = useState({
    at: 0,
    isEditing: model.operations.length === 0,
  });
  const at = Math.min(place.at, model.operations.length);
  const operation = model.operations[at];
  const choose = (next: number, isEditing: boolean) =>
    setPlace({ at: Math.min(Math.max(0, next), store.read().model.operations.length), isEditing });
  const change = (next: Model) => store.change(next);
  const errors = problems.filter(({ severity }) => severity === 'error').length;
  const ofLine = problemsOf(problems, at);
  /** The first problem that can be mended by a key: of this line, else of any. */
  const mendable = [...ofLine, ...problems].find(({ fix }) => fix !== undefined);
  const mend = (found: ModelProblem | undefined) => {
    if (found?.fix) change(applyPatch(model, sayPatch(found.fix)));
  };
  const remove = () => {
    if (operation) change(applyPatch(model, [{ path: ['operations', at], value: undefined }]));
  };
  const publish = async (note: string): Promise<Refusal | null> => {
    await store.flush();
    const outcome = await send<{ id: string }>('POST', `/api/drafts/${view.id}/publish`, {
      expects: store.read().version,
      note,
    });
    if (!outcome.ok) return outcome.refusal;
    router.push(`/models/${outcome.value.id}`);
    router.refresh();
    return null;
  };
  const takeJson = (path: Path, value: unknown) => takeDocument(view.id, store, applyPatch(model, [{ path, value }]));
  return {
    store,
    state,
    model,
    problems,
    isChecked: found !== null,
    errors,
    mendable,
    at,
    operation,
    isEditing: place.isEditing,
    choose,
    change,
    mend,
    remove,
    publish,
    takeJson,
  };
}

/** A document that was written by hand: the server looks at its shape by saving it, before it is drawn here. */
async function takeDocument(id: string, store: DraftStore, document: Model): Promise<string | null> {
  await store.flush();
  const outcome = await send<{ version: number }>('PUT', `/api/drafts/${id}`, {
    document,
    expects: store.read().version,
    saveId: uuid(),
  });
  if (!outcome.ok) return sayLater(outcome.refusal);
  store.takeTheirs(document, outcome.value.version);
  return null;
}
