'use client';
import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import type { ModelIdentity } from '@/core/procedure/identity';
import type { LookName } from '@/core/procedure/looks';
import { bestQuestion } from '@/core/triage/bestQuestion';
import { KeyButton } from '@/ui/keys/KeyButton';
import { sayCount } from '@/ui/words/amounts';

const asks: Readonly<Record<LookName, string>> = {
  kind: 'What is it?',
  size: 'How long is its longer side?',
  heads: 'Which screw heads show?',
  screws: 'How many screws show?',
  keys: 'Has it keys?',
  camera: 'Has it a camera?',
  tray: 'Is there something to draw out?',
  door: 'Does something open by hand?',
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
        <Box textStyle="lead">{question ? asks[question.look] : 'It is one of these:'}</Box>
        <Box textStyle="note" color="inkMuted" aria-live="polite">
          {sayCount(left.length, 'model')} left of {models.length}
        </Box>
      </Box>
      <Box display="grid" gap="8px">
        {question
          ? question.options.map(({ value, left: count }, index) => (
              <KeyButton
                key={value}
                keyName={String(index + 1)}
                label={`${value} (${count})`}
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
        {left.length === 0 && (
          <Box color="inkMuted">No model looks like that. Keep the unit apart as an unknown model, or go back.</Box>
        )}
        <Box display="flex" gap="8px" mt="4px">
          {question && <KeyButton keyName="0" label="Cannot tell" onPress={() => answer(null)} />}
          <KeyButton
            keyName="Backspace"
            label={answers.length > 0 ? 'Last answer back' : 'By letters'}
            onPress={() => (answers.length > 0 ? setAnswers(answers.slice(0, -1)) : onBack())}
          />
        </Box>
      </Box>
    </Box>
  );
}
