'use client';
import * as counts from '@/words/catalogue/counts';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useDeferredValue, useMemo, useState } from 'react';
import { v4 as uuid } from 'uuid';
import { checkModel } from '@/core/procedure/checkModel';
import type { ModelProblem } from '@/core/procedure/checks/problem';
import type { Face } from '@/core/procedure/faces';
import type { Model } from '@/core/procedure/model';
import { applyPatch, readPath, type Path } from '@/core/procedure/patch';
import type { Refusal } from '@/core/shared/outcome';
import type { DraftView } from '@/services/drafts/readDraft';
import { Headline } from '@/ui/base/Headline';
import { ScrollBox } from '@/ui/base/ScrollBox';
import { KeyButton } from '@/ui/keys/KeyButton';
import { useKey } from '@/ui/keys/KeysProvider';
import { send } from '@/ui/server/send';
import { sayRefusal } from '@/words/say/sentences';
import { NotSaved, SaveWords } from './DraftSaving';
import type { DraftStore } from './draftStore';
import { EditorKeys } from './EditorKeys';
import { FoundProblems } from './FoundProblems';
import { JsonDialog } from './JsonDialog';
import { KeyCount } from './KeyCount';
import { LineDetails } from './LineDetails';
import { LineTable, problemsOf } from './LineTable';
import { ModelForm } from './ModelForm';
import { PartsTable } from './PartsTable';
import { PlacingDrawing } from './PlacingDrawing';
import { PublishDialog } from './PublishDialog';
import { useDraft } from './useDraft';
import { sayPatch } from '@/words/say/sayPatch';
import * as texts from '@/words/catalogue/editor';

const sheetNames = { lines: texts.lines(), parts: texts.parts(), model: texts.model() } as const;
type Sheet = keyof typeof sheetNames;
const sheets = Object.keys(sheetNames) as Sheet[];

/** A model being written: lines by keys, checked as they are typed, with the face of the line beside them. */
export function EditorScreen({ view }: { readonly view: DraftView }) {
  const router = useRouter();
  const { store, state } = useDraft(view);
  const { model } = state;
  const checked = useDeferredValue(model);
  const problems = useMemo(() => checkModel(checked), [checked]);
  const [place, setPlace] = useState({
    at: 0,
    isEditing: model.operations.length === 0,
  });
  const [sheet, setSheet] = useState<Sheet>('lines');
  const [open, setOpen] = useState<'publish' | 'json' | null>(null);
  const at = Math.min(place.at, model.operations.length);
  const operation = model.operations[at];
  const choose = (next: number, isEditing: boolean) =>
    setPlace({ at: Math.min(Math.max(0, next), store.read().model.operations.length), isEditing });
  const change = (next: Model) => store.change(next);
  const errors = problems.filter(({ severity }) => severity === 'error').length;
  const ofLine = problemsOf(problems, at);
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
  const jsonPath: Path = operation && sheet === 'lines' ? ['operations', at] : sheet === 'parts' ? ['parts'] : [];
  useKey('ArrowDown', texts.nextLine(), () => choose(at + 1, false), sheet === 'lines' && !place.isEditing);
  useKey('ArrowUp', texts.previousLine(), () => choose(at - 1, false), sheet === 'lines' && !place.isEditing);
  const face = model.faces.find(({ id }) => id === operation?.face) ?? (model.faces[0] as Face);

  return (
    <Box
      display="grid"
      gridTemplateColumns={{ base: '1fr', lg: 'minmax(0, 1fr) 410px' }}
      gridTemplateRows={{ lg: 'minmax(0, 1fr)' }}
      h={{ lg: 'calc(100vh - 84px)' }}
    >
      <Box
        p="18px 20px 12px"
        minW="0"
        display="grid"
        gridTemplateRows="auto auto minmax(0, 1fr) auto"
        overflow="hidden"
      >
        <Headline
          lead={
            <>
              {counts.lines({ count: model.operations.length })},{' '}
              {errors === 0 ? texts.readyToPublish() : texts.problemBlocks({ errors })}. <SaveWords save={state.save} />{' '}
              <KeyCount />
            </>
          }
        >
          {model.maker} {model.name}
          <Box as="span" fontSize="18px" fontWeight="400" color="inkMuted" ms="10px">
            {texts.draft({ basedOn: view.basedOn === null ? '' : ` ${texts.fromVersion({ basedOn: view.basedOn })}` })}
          </Box>
        </Headline>
        <Box>
          <NotSaved id={view.id} save={state.save} model={model} store={store} />
          <Box display="flex" gap="6px" mb="8px">
            {sheets.map((name, index) => (
              <KeyButton
                key={name}
                keyName={String(index + 1)}
                label={sheetNames[name]}
                size="small"
                look={name === sheet ? 'action' : 'quiet'}
                aria-pressed={name === sheet}
                onPress={() => setSheet(name)}
              />
            ))}
          </Box>
        </Box>
        <ScrollBox label={sheetNames[sheet]} pe="4px">
          {sheet === 'lines' && (
            <LineTable
              model={model}
              problems={problems}
              at={at}
              isEditing={place.isEditing}
              onChoose={choose}
              onChange={change}
            />
          )}
          {sheet === 'parts' && <PartsTable model={model} onChange={change} />}
          {sheet === 'model' && <ModelForm model={model} onChange={change} />}
        </ScrollBox>
        <EditorKeys
          isOnLines={sheet === 'lines'}
          isEditing={place.isEditing}
          hasLine={operation !== undefined}
          canMend={mendable !== undefined}
          canUndo={state.canUndo}
          canRedo={state.canRedo}
          canPublish={errors === 0 && state.save.is !== 'stale'}
          acts={{
            edit: () => choose(at, true),
            add: () => {
              setSheet('lines');
              choose(model.operations.length, true);
            },
            mend: () => mend(mendable),
            undo: () => store.undo(),
            redo: () => store.redo(),
            remove,
            json: () => setOpen('json'),
            publish: () => setOpen('publish'),
          }}
        />
      </Box>
      <ScrollBox label={texts.thisLine()} bg="sheet" borderStartWidth="1px" borderColor="rule" p="14px 18px">
        <PlacingDrawing key={face.id} model={model} face={face} operation={operation} onChange={change} />
        {operation && <LineDetails key={operation.id} model={model} at={at} onChange={change} />}
        <FoundProblems
          problems={problems}
          onMend={mend}
          onGo={(path) => path[0] === 'operations' && choose(Number(path[1]), false)}
        />
      </ScrollBox>
      {open === 'publish' && <PublishDialog onPublish={publish} onClose={() => setOpen(null)} />}
      {open === 'json' && (
        <JsonDialog
          title={
            jsonPath.length === 0
              ? texts.wholeDocument()
              : jsonPath[0] === 'parts'
                ? texts.allParts()
                : (operation?.title ?? '')
          }
          value={readPath(model, jsonPath)}
          onTake={(value) => takeJson(view.id, store, applyPatch(model, [{ path: jsonPath, value }]))}
          onClose={() => setOpen(null)}
        />
      )}
    </Box>
  );
}

/** A document that was written by hand: the server looks at its shape by saving it, before it is drawn here. */
async function takeJson(id: string, store: DraftStore, document: Model): Promise<string | null> {
  await store.flush();
  const outcome = await send<{ version: number }>('PUT', `/api/drafts/${id}`, {
    document,
    expects: store.read().version,
    saveId: uuid(),
  });
  if (!outcome.ok) return sayRefusal(outcome.refusal);
  store.takeTheirs(document, outcome.value.version);
  return null;
}
