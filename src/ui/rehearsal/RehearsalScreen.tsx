'use client';
import * as counts from '@/words/catalogue/counts';
import { say as sayRehearsal } from '@/words/catalogue/core/rehearsal';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { sheetOf } from '@/core/sheet/sheetOf';
import { defaultTargets } from '@/core/sheet/sheetSteps';
import type { HouseRules } from '@/core/shared/houseRules';
import { useHouseRules } from '@/ui/rules/RulesProvider';
import type { Model } from '@/core/procedure/model';
import { questionsOf, type Choice, type Question, type Skill } from '@/core/rehearsal/questions';
import { isDue, scoreOf } from '@/core/rehearsal/recall';
import { Chance } from '@/core/shared/chance';
import type { RunSheet } from '@/core/teardown/sheet/runSheet';
import type { RehearsalView } from '@/services/rehearsals/readRehearsal';
import { Caution } from '@/ui/base/Caution';
import { Headline } from '@/ui/base/Headline';
import { Section } from '@/ui/base/Section';
import { SidePanel } from '@/ui/base/SidePanel';
import { FaceDrawing } from '@/ui/drawing/FaceDrawing';
import { StepWork } from '@/ui/drawing/StepWork';
import { KeyButton } from '@/ui/keys/KeyButton';
import { send } from '@/ui/server/send';
import * as words from '@/words/catalogue/rehearsal';

const skillNames: Readonly<Record<Skill, string>> = {
  order: words.whatNext(),
  tool: words.whichTool(),
  cup: words.whichCup(),
};

interface Asked extends Question {
  readonly step: number;
}

/** Can I do it before I touch it? The sheet on a practice unit: every choice is the person’s, and nothing is touched. */
export function RehearsalScreen({ view, today }: { readonly view: RehearsalView; readonly today: string }) {
  const { model, recalls } = view;
  const router = useRouter();
  // Every sitting mixes its choices anew; within it they stay where they are.
  const [seed] = useState(
    () => Number(today.replaceAll('-', '')) + recalls.reduce((sum, { right, wrong }) => sum + right + wrong, 0),
  );
  const [all, setAll] = useState(false);
  const rules = useHouseRules();
  const sheet = useMemo(() => practiceSheet(model, rules), [model, rules]);
  const questions = useMemo(() => {
    if (!sheet) return [];
    const known = new Map(recalls.map((recall) => [recall.item, recall]));
    return sheet.steps
      .flatMap((_, step): Asked[] =>
        questionsOf(model, sheet, step, new Chance(seed + step)).map((question) => ({ ...question, step })),
      )
      .filter(({ item }) => all || isDue(known.get(item), today));
  }, [model, sheet, recalls, seed, today, all]);
  const [answers, setAnswers] = useState<readonly { readonly item: string; readonly isRight: boolean }[]>([]);
  const [at, setAt] = useState(0);
  const [wrong, setWrong] = useState<Choice | null>(null);
  const leave = () => router.push(`/models/${model.id}`);
  const question = questions[at];
  const answer = (choice: Choice) => {
    if (!question) return;
    // The first answer counts; after a wrong one it is tried until it is right.
    const given = wrong === null ? [...answers, { item: question.item, isRight: choice.isRight }] : answers;
    setAnswers(given);
    if (!choice.isRight) return setWrong(choice);
    setWrong(null);
    setAt(at + 1);
    if (at + 1 === questions.length) void note(model.id, given);
  };
  if (!sheet) {
    return (
      <Box p="28px">
        <Headline lead={words.thisModelHasNoRun()}>{words.nothingToRehearse()}</Headline>
        <KeyButton keyName="Escape" label={words.backToModel()} onPress={leave} />
      </Box>
    );
  }
  if (!question)
    return (
      <Finished
        model={model}
        answers={answers}
        onLeave={leave}
        onAll={() => {
          setAll(true);
          setAnswers([]);
          setAt(0);
        }}
      />
    );
  const step = sheet.steps[question.step];
  // What is next is asked of the unit as it lies: its next face, and what is to be opened, would tell the answer.
  const isNextAsked = question.skill === 'order';
  const shown = isNextAsked ? (sheet.steps[question.step - 1] ?? step) : step;
  const face = model.faces.find(({ id }) => id === shown?.face) ?? model.faces[0];
  const out = sheet.steps.slice(0, question.step).flatMap(({ frees }) => frees);
  return (
    <Box
      display="grid"
      gridTemplateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) 350px' }}
      minH="calc(100vh - 84px)"
    >
      <Box p="24px 28px" minW="0">
        <Headline
          lead={words.practiceUnitNothingRealChanges({
            maker: model.maker,
            name: model.name,
            value: at + 1,
            questions: questions.length,
          })}
        >
          {sayRehearsal(question.asks)}
        </Headline>
        <Box display="grid" gap="10px" maxW="640px" my="18px">
          {question.choices.map((choice, index) => (
            <KeyButton
              key={sayRehearsal(choice.says)}
              keyName={String(index + 1)}
              label={sayRehearsal(choice.says)}
              look={choice === wrong ? 'danger' : 'outline'}
              size="bench"
              justifyContent="flex-start"
              fontSize="18px"
              onPress={() => answer(choice)}
            />
          ))}
        </Box>
        <Box role="status" minH="64px" maxW="640px">
          {wrong && <Caution what={words.wrong()}>{sayRehearsal(wrong.because)}</Caution>}
        </Box>
        {face && (
          <FaceDrawing
            model={model}
            face={face}
            joints={isNextAsked ? [] : (step?.joints ?? [])}
            work={(drawn) => <StepWork drawn={drawn} />}
            outParts={out}
            marks={[]}
            maxWidth={420}
            maxHeight={260}
          />
        )}
      </Box>
      <SidePanel>
        <Score answers={answers} />
        <Box mt="auto">
          <KeyButton keyName="Escape" label={words.leave()} w="100%" onPress={leave} />
        </Box>
      </SidePanel>
    </Box>
  );
}

function Finished({
  model,
  answers,
  onAll,
  onLeave,
}: {
  readonly model: Model;
  readonly answers: readonly { readonly item: string; readonly isRight: boolean }[];
  readonly onAll: () => void;
  readonly onLeave: () => void;
}) {
  const { isPassed } = scoreOf(answers);
  const wrong = answers.filter(({ isRight }) => !isRight).length;
  return (
    <Box p="28px" maxW="760px">
      <Headline
        lead={
          answers.length === 0
            ? words.youAnsweredEverythingRecentlyComes()
            : wrong === 0
              ? words.comesBackInDaysThen()
              : words.questionComesBackTodayRest({ wrong })
        }
      >
        {answers.length === 0
          ? words.nothingDue({ name: model.name })
          : isPassed
            ? words.youCanDo({ name: model.name })
            : words.oneMoreRunAndYou({ name: model.name })}
      </Headline>
      <Score answers={answers} />
      <Box display="flex" gap="10px" mt="22px">
        <KeyButton keyName=" " label={words.repeatAll()} look="action" size="wide" onPress={onAll} />
        <KeyButton keyName="Escape" label={words.backToModel()} size="wide" onPress={onLeave} />
      </Box>
    </Box>
  );
}

function Score({ answers }: { readonly answers: readonly { readonly item: string; readonly isRight: boolean }[] }) {
  const { skills } = scoreOf(answers);
  return (
    <Section title={words.soFar()} note={counts.answers({ count: answers.length })}>
      <Box as="ul" pt="10px" display="grid" gap="6px">
        {skills.map(({ skill, asked, right }) => (
          <Box as="li" key={skill} display="flex" justifyContent="space-between">
            <span>{skillNames[skill]}</span>
            <strong>{words.of({ right, asked })}</strong>
          </Box>
        ))}
      </Box>
    </Section>
  );
}

function practiceSheet(model: Model, rules: HouseRules): RunSheet | null {
  const configuration = model.configurations[0]?.id ?? null;
  const unit = { revision: model.revisions[0]?.id ?? null, configuration, marks: [] };
  const sheet = sheetOf(model, unit, {
    kind: 'teardown',
    targets: defaultTargets(model, configuration),
    keeping: 'tray',
    rules,
  });
  return sheet.ok && sheet.value.steps.length > 0 ? sheet.value : null;
}

/** What was answered is kept for this person; while the server is away only this sitting’s score is lost. */
async function note(modelId: string, answers: readonly object[]): Promise<void> {
  await send('POST', `/api/rehearsals/${modelId}`, { answers });
}
