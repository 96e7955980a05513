'use client';
import * as counts from '@/words/catalogue/counts';
import { Box } from '@chakra-ui/react';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import type { Face } from '@/core/procedure/faces';
import { readPath, type Path } from '@/core/procedure/patch';
import type { DraftView } from '@/services/drafts/readDraft';
import { Headline } from '@/ui/base/Headline';
import { ScrollBox } from '@/ui/base/ScrollBox';
import { KeyButton } from '@/ui/keys/KeyButton';
import { useKey } from '@/ui/keys/KeysProvider';
import { NotSaved, SaveWords } from './DraftSaving';
import { EditorKeys } from './EditorKeys';
import { KeyCount } from './KeyCount';
import { LineTable } from './LineTable';
import { PlacingDrawing } from './PlacingDrawing';
import { useEditing } from './useEditing';
import * as texts from '@/words/catalogue/editor';

/** What is not shown first comes when it is opened. */
const JsonDialog = dynamic(() => import('./JsonDialog').then((module) => module.JsonDialog));
const PublishDialog = dynamic(() => import('./PublishDialog').then((module) => module.PublishDialog));
const ModelForm = dynamic(() => import('./ModelForm').then((module) => module.ModelForm));
/** What is known of a line, and what the checker found, are read after the lines stand. */
const LineDetails = dynamic(() => import('./LineDetails').then((module) => module.LineDetails), { ssr: false });
const FoundProblems = dynamic(() => import('./FoundProblems').then((module) => module.FoundProblems), { ssr: false });
const PartsTable = dynamic(() => import('./PartsTable').then((module) => module.PartsTable));
const FieldsSheet = dynamic(() => import('./fields/FieldsSheet').then((module) => module.FieldsSheet));

const sheetNames = {
  lines: texts.lines(),
  parts: texts.parts(),
  model: texts.model(),
  fields: texts.everyField(),
} as const;
type Sheet = keyof typeof sheetNames;
const sheets = Object.keys(sheetNames) as Sheet[];

/** A model being written: lines by keys, checked as they are typed, with the face of the line beside them. */
export function EditorScreen({ view }: { readonly view: DraftView }) {
  const editing = useEditing(view);
  const { store, state, model, problems, isChecked, errors, mendable, at, operation, isEditing, choose, change, mend } =
    editing;
  const [sheet, setSheet] = useState<Sheet>('lines');
  const [open, setOpen] = useState<'publish' | 'json' | null>(null);
  const jsonPath: Path = operation && sheet === 'lines' ? ['operations', at] : sheet === 'parts' ? ['parts'] : [];
  useKey('ArrowDown', texts.nextLine(), () => choose(at + 1, false), sheet === 'lines' && !isEditing);
  useKey('ArrowUp', texts.previousLine(), () => choose(at - 1, false), sheet === 'lines' && !isEditing);
  const face = model.faces.find(({ id }) => id === operation?.face) ?? (model.faces[0] as Face);

  return (
    <Box
      display="grid"
      gridTemplateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) 410px' }}
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
              {!isChecked ? texts.checking() : errors === 0 ? texts.readyToPublish() : texts.problemBlocks({ errors })}.{' '}
              <SaveWords save={state.save} /> <KeyCount />
            </>
          }
        >
          {model.maker} {model.name}
          <Box as="span" fontSize="18px" fontWeight="400" color="inkMuted" ms="10px">
            {texts.draft({ isBased: view.basedOn === null ? 'no' : 'yes', basedOn: view.basedOn ?? 0 })}
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
              isEditing={isEditing}
              onChoose={choose}
              onChange={change}
            />
          )}
          {sheet === 'parts' && <PartsTable model={model} onChange={change} />}
          {sheet === 'model' && <ModelForm model={model} onChange={change} />}
          {sheet === 'fields' && (
            <FieldsSheet
              key={operation?.id}
              model={model}
              at={at}
              onChoose={(step) => choose(step, false)}
              onChange={change}
            />
          )}
        </ScrollBox>
        <EditorKeys
          isOnLines={sheet === 'lines'}
          isEditing={isEditing}
          hasLine={operation !== undefined}
          canMend={mendable !== undefined}
          canUndo={state.canUndo}
          canRedo={state.canRedo}
          canPublish={isChecked && errors === 0 && state.save.is !== 'stale'}
          acts={{
            edit: () => choose(at, true),
            add: () => {
              setSheet('lines');
              choose(model.operations.length, true);
            },
            mend: () => mend(mendable),
            undo: () => store.undo(),
            redo: () => store.redo(),
            remove: editing.remove,
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
      {open === 'publish' && <PublishDialog onPublish={editing.publish} onClose={() => setOpen(null)} />}
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
          onTake={(value) => editing.takeJson(jsonPath, value)}
          onClose={() => setOpen(null)}
        />
      )}
    </Box>
  );
}
