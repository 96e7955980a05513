'use client';
import { Box } from '@chakra-ui/react';
import { useEffect, useRef, useState } from 'react';
import type { ParcelLine } from '@/core/entities/entities';
import type { ModelIdentity } from '@/core/procedure/identity';
import { Button } from '@/ui/base/Button';
import { Input } from '@/ui/base/Input';
import { KeyCap } from '@/ui/base/KeyCap';
import { ChooseByLooks } from './ChooseByLooks';
import { findModels } from './findModels';
import { kindNames } from '@/words/say/names';
import * as words from '@/words/catalogue/triage';

/** As many as stand in the dialog without scrolling. */
const mostShown = 8;

/** By two or three letters, or by what is seen of it. */
export function ChooseModel({
  models,
  line,
  onChoose,
}: {
  readonly models: readonly ModelIdentity[];
  readonly line: ParcelLine | undefined;
  readonly onChoose: (model: ModelIdentity) => void;
}) {
  const [typed, setTyped] = useState('');
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => field.current?.focus(), []);
  const [byLooks, setByLooks] = useState(false);
  if (byLooks) return <ChooseByLooks models={models} onChoose={onChoose} onBack={() => setByLooks(false)} />;
  const found = findModels(models, typed, line ? `${line.maker} ${line.model}` : '').slice(0, mostShown);
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (found[0]) onChoose(found[0]);
      }}
    >
      <Input
        ref={field}
        value={typed}
        onChange={(event) => setTyped(event.currentTarget.value)}
        aria-label={words.lettersModel()}
        placeholder={words.laSqReOrName()}
        fontSize="20px"
        minH="52px"
        autoComplete="off"
        onKeyDown={(event) => {
          if (event.key !== 'ArrowDown') return;
          event.preventDefault();
          setByLooks(true);
        }}
      />
      <Box as="ul" mt="10px">
        {found.map((model, index) => (
          <Box as="li" key={model.id}>
            <Button
              type="button"
              look={index === 0 ? 'outline' : 'quiet'}
              w="100%"
              justifyContent="flex-start"
              mb="6px"
              onClick={() => onChoose(model)}
            >
              {index === 0 ? <KeyCap name="Enter" /> : <KeyCap name={model.letters} />}
              <Box as="span" flex="1">
                {model.maker} {model.name}
              </Box>
              <Box as="span" textStyle="note" color="inkMuted">
                {kindNames[model.kind]}, {model.letters}
              </Box>
            </Button>
          </Box>
        ))}
        <Box as="li">
          <Button type="button" look="quiet" w="100%" justifyContent="flex-start" onClick={() => setByLooks(true)}>
            <KeyCap name="ArrowDown" /> {words.identifyByAppearance()}
          </Button>
        </Box>
        {found.length === 0 && <Box color="inkMuted">{words.noModelHasTheseLetters()}</Box>}
      </Box>
    </form>
  );
}
