'use client';
import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import type { ModelIdentity } from '@/core/procedure/identity';
import type { LookName } from '@/core/procedure/looks';
import { bestQuestion } from '@/core/triage/bestQuestion';
import { KeyButton } from '@/ui/keys/KeyButton';
import { sayLook } from '@/words/say/sayLook';
import * as words from '@/words/catalogue/triage';

const asks: Readonly<Record<LookName, string>> = {
  kind: words.what(),
  size: words.howLongSide(),
  heads: words.whichScrewHeadsShow(),
  screws: words.howManyScrewsShow(),
  keys: words.doesHaveButtons(),
  camera: words.doesHaveCamera(),
  tray: words.thereTrayCardOrPen(),
  door: words.doesDoorOrLidOpen(),
};

interface Answer {
  readonly look: LookName;
  /** Null: could not tell. */
  readonly value: string | null;
}

/** The model by what is seen of it: each time the question that leaves the fewest, and how many are left. */
export function ChooseByLooks({
  models,
  onChoose,
  onBack,
}: {
  readonly models: readonly ModelIdentity[];
  readonly onChoose: (model: ModelIdentity) => void;
  readonly onBack: () => void;
}) {
  const [answers, setAnswers] = useState<readonly Answer[]>([]);
  const left = models.filter(({ looks }) =>
    answers.every(({ look, value }) => value === null || looks[look] === value),
  );
  const question = bestQuestion(
    left,
    answers.map(({ look }) => look),
  );
  const answer = (value: string | null) => question && setAnswers([...answers, { look: question.look, value }]);
  return (
    <Box>
      <Box display="flex" justifyContent="space-between" alignItems="baseline" mb="10px">
        <Box textStyle="lead">{question ? asks[question.look] : words.oneThese()}</Box>
        <Box textStyle="note" color="inkMuted" aria-live="polite">
          {words.modelLeft({ left: left.length, models: models.length })}
        </Box>
      </Box>
      <Box display="grid" gap="8px">
        {question
          ? question.options.map(({ value, left: count }, index) => (
              <KeyButton
                key={value}
                keyName={String(index + 1)}
                label={words.lookOption({ look: sayLook(question.look, value), count })}
                look="outline"
                justifyContent="flex-start"
                onPress={() => answer(value)}
              />
            ))
          : left.map((model, index) => (
              <KeyButton
                key={model.id}
                keyName={String(index + 1)}
                label={`${model.maker} ${model.name}`}
                look="outline"
                justifyContent="flex-start"
                onPress={() => onChoose(model)}
              />
            ))}
        {left.length === 0 && <Box color="inkMuted">{words.noModelLooksLikeThat()}</Box>}
        <Box display="flex" gap="8px" mt="4px">
          {question && <KeyButton keyName="0" label={words.cantTell()} onPress={() => answer(null)} />}
          <KeyButton
            keyName="Backspace"
            label={words.undoAnswer({ isAnswers: answers.length > 0 ? 'yes' : 'no' })}
            onPress={() => (answers.length > 0 ? setAnswers(answers.slice(0, -1)) : onBack())}
          />
        </Box>
      </Box>
    </Box>
  );
}
