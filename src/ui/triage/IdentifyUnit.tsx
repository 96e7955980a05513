'use client';
import { Box } from '@chakra-ui/react';
import { useEffect, useRef, useState } from 'react';
import type { ParcelLine } from '@/core/entities/entities';
import type { Payloads } from '@/core/shop/facts';
import type { ModelIdentity } from '@/core/procedure/identity';
import { compareSerials } from '@/core/shared/serials';
import { Button } from '@/ui/base/Button';
import { Caution } from '@/ui/base/Caution';
import { Dialog } from '@/ui/base/Dialog';
import { Input } from '@/ui/base/Input';
import { KeyCap } from '@/ui/base/KeyCap';
import { KeyButton } from '@/ui/keys/KeyButton';
import { KeyLayer } from '@/ui/keys/KeysProvider';
import { ChooseModel } from './ChooseModel';
import * as words from '@/words/catalogue/triage';

type Identity = Payloads['unit-identified'];

interface IdentifyProps {
  readonly models: readonly ModelIdentity[];
  readonly line: ParcelLine | undefined;
  /** Said as soon as the model is known, so that its document can come meanwhile. */
  readonly onChosen: (model: ModelIdentity) => void;
  readonly onClose: () => void;
  readonly onIdentified: (identity: Identity) => void;
}

interface Question {
  readonly key: 'revision' | 'configuration' | 'variant';
  readonly asks: string;
  readonly options: readonly { readonly id: string; readonly says: string }[];
}

/** Model by two letters, then one digit for each thing the eye can tell; the serial is read once. */
export function IdentifyUnit({ models, line, onChosen, onClose, onIdentified }: IdentifyProps) {
  const [model, setModel] = useState<ModelIdentity | null>(null);
  const [answers, setAnswers] = useState<Partial<Record<Question['key'], string>>>({});
  const questions = model ? questionsOf(model) : [];
  const open = questions.find(({ key }) => answers[key] === undefined);
  const finish = (serial: string) => {
    if (!model) return;
    const { revision, configuration, variant } = answers as Record<Question['key'], string>;
    onIdentified({
      modelId: model.id,
      modelVersion: model.version,
      revision,
      configuration,
      variant,
      serial: serial.trim().toUpperCase(),
    });
  };
  return (
    <KeyLayer>
      <Dialog title={model ? `${model.maker} ${model.name}` : words.whichModel()} onClose={onClose}>
        {!model && <ChooseModel models={models} line={line} onChoose={(chosen) => choose(chosen)} />}
        {model && open && (
          <Ask
            key={open.key}
            question={open}
            onAnswer={(id) => setAnswers((before) => ({ ...before, [open.key]: id }))}
          />
        )}
        {model && !open && <ReadSerial expected={line?.serial ?? ''} onRead={finish} />}
      </Dialog>
    </KeyLayer>
  );

  function choose(chosen: ModelIdentity) {
    setModel(chosen);
    onChosen(chosen);
    // What has only one answer is not asked.
    const alone = questionsOf(chosen).flatMap(({ key, options }) =>
      options.length === 1 ? [[key, options[0]?.id]] : [],
    );
    setAnswers(Object.fromEntries(alone) as typeof answers);
  }
}

function questionsOf(model: ModelIdentity): readonly Question[] {
  return [
    {
      key: 'revision',
      asks: words.whichRevision(),
      options: model.revisions.map(({ id, tell }) => ({ id, says: `${id}: ${tell}` })),
    },
    {
      key: 'configuration',
      asks: words.whichConfiguration(),
      options: model.configurations.map(({ id, name }) => ({ id, says: name })),
    },
    { key: 'variant', asks: words.whichVariant(), options: model.variants.map(({ id, name }) => ({ id, says: name })) },
  ];
}

function Ask({ question, onAnswer }: { readonly question: Question; readonly onAnswer: (id: string) => void }) {
  return (
    <Box>
      <Box textStyle="lead" mb="10px">
        {question.asks}
      </Box>
      <Box display="grid" gap="8px">
        {question.options.map(({ id, says }, index) => (
          <KeyButton
            key={id}
            keyName={String(index + 1)}
            label={says}
            look="outline"
            justifyContent="flex-start"
            onPress={() => onAnswer(id)}
          />
        ))}
      </Box>
    </Box>
  );
}

function ReadSerial({ expected, onRead }: { readonly expected: string; readonly onRead: (serial: string) => void }) {
  const field = useRef<HTMLInputElement>(null);
  const [typed, setTyped] = useState(expected);
  useEffect(() => field.current?.select(), []);
  const match = expected === '' || typed.trim() === '' ? 'same' : compareSerials(expected, typed);
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        onRead(typed);
      }}
    >
      <Box as="label" display="block">
        <Box as="span" textStyle="lead" display="block" mb="8px">
          {words.serialAsOnListCompare({ isExpected: expected ? 'yes' : 'no' })}
        </Box>
        <Input
          ref={field}
          value={typed}
          onChange={(event) => setTyped(event.currentTarget.value)}
          maxLength={60}
          fontFamily="mono"
          fontSize="20px"
          minH="52px"
          autoComplete="off"
        />
      </Box>
      {match !== 'same' && (
        <Box mt="10px">
          <Caution tone="waiting" what={words.checkAgain({ isLookAlike: match === 'look-alike' ? 'yes' : 'no' })}>
            {words.listHasOnlyLookAlike({ expected, isLookAlike: match === 'look-alike' ? 'yes' : 'no' })}
          </Caution>
        </Box>
      )}
      <Button type="submit" look="action" size="wide" mt="14px" w="100%">
        <KeyCap name="Enter" /> {words.serialRight({ isMatchSame: match === 'same' ? 'yes' : 'no' })}
      </Button>
    </form>
  );
}
