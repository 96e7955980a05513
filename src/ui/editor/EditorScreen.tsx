'use client';
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
import { Button } from '@/ui/base/Button';
import { Caution } from '@/ui/base/Caution';
import { Headline } from '@/ui/base/Headline';
import { ScrollBox } from '@/ui/base/ScrollBox';
import { Section } from '@/ui/base/Section';
import { KeyButton } from '@/ui/keys/KeyButton';
import { useKey } from '@/ui/keys/KeysProvider';
import { ProblemList } from '@/ui/models/ProblemList';
import { send } from '@/ui/models/requests';
import { sayCount } from '@/ui/words/amounts';
import { sayRefusal } from '@/ui/words/sentences';
import type { SaveState } from './draftStore';
import { JsonDialog } from './JsonDialog';
import { KeyCount } from './KeyCount';
import { LineDetails } from './LineDetails';
import { LineTable, problemsOf } from './LineTable';
import { ModelForm } from './ModelForm';
import { PartsTable } from './PartsTable';
import { PlacingDrawing } from './PlacingDrawing';
import { PublishDialog } from './PublishDialog';
import { useDraft } from './useDraft';

const sheets = ['Lines', 'Parts', 'Model'] as const;
type Sheet = (typeof sheets)[number];

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
  const [sheet, setSheet] = useState<Sheet>('Lines');
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
    if (found?.fix) change(applyPatch(model, found.fix));
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
  const jsonPath: Path = operation && sheet === 'Lines' ? ['operations', at] : sheet === 'Parts' ? ['parts'] : [];
  useKey('ArrowDown', 'Next line', () => choose(at + 1, false), sheet === 'Lines' && !place.isEditing);
  useKey('ArrowUp', 'Line before', () => choose(at - 1, false), sheet === 'Lines' && !place.isEditing);
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
              {sayCount(model.operations.length, 'line')},{' '}
              {errors === 0 ? 'nothing stops it' : `${sayCount(errors, 'thing stops it', 'things stop it')}`}.{' '}
              <SaveWords save={state.save} /> <KeyCount />
            </>
          }
        >
          {model.maker} {model.name}
          <Box as="span" fontSize="18px" fontWeight="400" color="inkMuted" ms="10px">
            draft{view.basedOn === null ? '' : ` of version ${view.basedOn}`}
          </Box>
        </Headline>
        <Box>
          <Stale id={view.id} save={state.save} model={model} store={store} />
          <Box display="flex" gap="6px" mb="8px">
            {sheets.map((name, index) => (
              <KeyButton
                key={name}
                keyName={String(index + 1)}
                label={name}
                size="small"
                look={name === sheet ? 'action' : 'quiet'}
                aria-pressed={name === sheet}
                onPress={() => setSheet(name)}
              />
            ))}
          </Box>
        </Box>
        <ScrollBox label={sheet} pe="4px">
          {sheet === 'Lines' && (
            <LineTable
              model={model}
              problems={problems}
              at={at}
              isEditing={place.isEditing}
              onChoose={choose}
              onChange={change}
            />
          )}
          {sheet === 'Parts' && <PartsTable model={model} onChange={change} />}
          {sheet === 'Model' && <ModelForm model={model} onChange={change} />}
        </ScrollBox>
        <Box display="flex" flexWrap="wrap" gap="8px" pt="10px" borderTopWidth="1px" borderColor="rule">
          <KeyButton
            keyName="Enter"
            label="Write the line"
            look="outline"
            size="small"
            isEnabled={sheet === 'Lines' && !place.isEditing}
            onPress={() => choose(at, true)}
          />
          <KeyButton
            keyName="n"
            label="New line"
            size="small"
            isEnabled={!place.isEditing}
            onPress={() => {
              setSheet('Lines');
              choose(model.operations.length, true);
            }}
          />
          <KeyButton
            keyName="m"
            label="Mend"
            size="small"
            isEnabled={mendable !== undefined}
            onPress={() => mend(mendable)}
          />
          <KeyButton keyName="u" label="Undo" size="small" isEnabled={state.canUndo} onPress={() => store.undo()} />
          <KeyButton keyName="y" label="Redo" size="small" isEnabled={state.canRedo} onPress={() => store.redo()} />
          <KeyButton
            keyName="x"
            label="Take the line out"
            size="small"
            isEnabled={sheet === 'Lines' && operation !== undefined}
            onPress={remove}
          />
          <KeyButton keyName="j" label="As JSON" size="small" onPress={() => setOpen('json')} />
          <KeyButton
            keyName="p"
            label="Publish"
            look="action"
            size="small"
            isEnabled={errors === 0 && state.save.is !== 'stale'}
            onPress={() => setOpen('publish')}
          />
        </Box>
      </Box>
      <ScrollBox label="The line" bg="sheet" borderStartWidth="1px" borderColor="rule" p="14px 18px">
        <PlacingDrawing key={face.id} model={model} face={face} operation={operation} onChange={change} />
        {operation && <LineDetails key={operation.id} model={model} at={at} onChange={change} />}
        <Found
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
              ? 'The whole document'
              : jsonPath[0] === 'parts'
                ? 'All parts'
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
async function takeJson(
  id: string,
  store: ReturnType<typeof useDraft>['store'],
  document: Model,
): Promise<string | null> {
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

function Found({
  problems,
  onMend,
  onGo,
}: {
  readonly problems: readonly ModelProblem[];
  readonly onMend: (problem: ModelProblem) => void;
  readonly onGo: (path: Path) => void;
}) {
  if (problems.length === 0) return null;
  return (
    <Section title={sayCount(problems.length, 'thing to mend', 'things to mend')} mt="14px">
      <ProblemList
        problems={problems.slice(0, 12)}
        action={(problem) => (
          <Box display="flex" gap="6px" alignItems="flex-start">
            <Button size="small" onClick={() => onGo(problem.path)}>
              Show
            </Button>
            {problem.fix && (
              <Button size="small" look="outline" onClick={() => onMend(problem)}>
                Mend it
              </Button>
            )}
          </Box>
        )}
      />
    </Section>
  );
}

function SaveWords({ save }: { readonly save: SaveState }) {
  const words: Readonly<Record<SaveState['is'], string>> = {
    saved: 'Saved.',
    saving: 'Saving …',
    away: 'The server is away: kept in this browser, saved when it is back.',
    stale: 'Not saved.',
    refused: 'Not saved.',
  };
  return <span data-save={save.is}>{words[save.is]}</span>;
}

/** Two people at one draft: the second is told, keeps what was written, and says whose it shall be. */
function Stale({
  id,
  save,
  model,
  store,
}: {
  readonly id: string;
  readonly save: SaveState;
  readonly model: Model;
  readonly store: ReturnType<typeof useDraft>['store'];
}) {
  const router = useRouter();
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  if (save.is === 'refused')
    return <Caution what="Not saved.">{save.says.ok ? '' : sayRefusal(save.says.refusal)}</Caution>;
  if (save.is !== 'stale') return null;
  const keepMine = async () => {
    const copy = uuid();
    const outcome = await send('POST', '/api/drafts', { id: copy, from: 'document', document: model });
    if (!outcome.ok) return setRefusal(outcome.refusal);
    localStorage.removeItem(`plucky-draft-${id}`);
    router.push(`/models/drafts/${copy}`);
  };
  const takeTheirs = async () => {
    const response = await fetch(`/api/drafts/${id}`).catch(() => undefined);
    if (!response?.ok) return setRefusal({ reason: response ? 'not-found' : 'server-away', facts: {} });
    const theirs = (await response.json()) as DraftView;
    store.takeTheirs(theirs.document, theirs.version);
  };
  return (
    <Box mb="8px">
      <Caution tone="waiting" what={`${save.by || 'Somebody'} saved this draft in the meantime.`}>
        Yours is kept here and nothing of it is lost.
      </Caution>
      <Box display="flex" gap="8px" mt="8px">
        <Button look="action" size="small" onClick={() => void keepMine()}>
          Keep mine as a draft of its own
        </Button>
        <Button size="small" onClick={() => void takeTheirs()}>
          Take theirs
        </Button>
      </Box>
      {refusal && <Caution what="Not done.">{sayRefusal(refusal)}</Caution>}
    </Box>
  );
}
