'use client';
import { list } from '@/words/format';
import * as counts from '@/words/catalogue/counts';
import { Box } from '@chakra-ui/react';
import { useMemo } from 'react';
import type { Model } from '@/core/procedure/model';
import type { Situation } from '@/core/procedure/situation';
import { walk } from '@/core/procedure/walk';
import { screwName } from '@/core/procedure/drives';
import { screwGroups } from '@/core/screws/screwGroups';
import { minutesRange } from '@/core/teardown/attendedMinutes';
import type { TeardownPlan } from '@/core/teardown/plan/teardownPlan';
import { Section } from '@/ui/base/Section';
import * as words from '@/words/catalogue/planner';

/** What to have at hand before the first screw: time, tools, cups, a second person, what may move over. */
export function LayOut({
  model,
  plan,
  situation,
}: {
  readonly model: Model;
  readonly plan: TeardownPlan;
  readonly situation: Situation;
}) {
  const { operations } = plan;
  const screws = useMemo(() => {
    const opened = new Set(walk(model, operations).steps.flatMap((step) => step.opened));
    return screwGroups(model.joints.filter(({ id }) => opened.has(id))).filter(({ kind }) => kind === 'screw');
  }, [model, operations]);
  if (operations.length === 0) return null;
  const range = minutesRange(operations, situation.findings);
  const extra = plan.cost.minutes - operationsMean(plan);
  const tools = [...new Set(operations.map(({ tool }) => tool))].filter((tool) => tool !== 'Hands');
  const skills = [
    ...new Set(operations.flatMap(({ skill, needsCertificate }) => skill ?? (needsCertificate ? 'certificate' : []))),
  ];
  const helpers = operations.filter(({ helper }) => helper !== undefined).length;
  const transfers = model.parts.filter(
    ({ id, transfers: moved }) => (moved?.length ?? 0) > 0 && operations.some(({ frees }) => frees.includes(id)),
  );
  const nameOf = (id: string) => model.parts.find((part) => part.id === id)?.name ?? id;
  const lines = [
    words.toMin80Range({ extra: Math.round(range.low + extra), extra2: Math.round(range.high + extra) }),
    tools.join(' · ') || words.bareHands(),
    screws.length === 0
      ? words.noScrews()
      : counts.screwsOfKinds({
          count: screws.reduce((sum, { count }) => sum + count, 0),
          kinds: screws.length,
          names: screws.map((group) => counts.joints2({ count: group.count, joint: screwName(group) })),
        }),
    ...(skills.length > 0 ? [words.onlyWith({ skills: list(skills) })] : []),
    ...(helpers > 0 ? [words.secondPersonAtStep({ helpers })] : []),
    ...transfers.map(({ name, transfers: moved = [] }) =>
      words.moveOverFrom({ name, nameOf: list(moved.map(({ part }) => nameOf(part))) }),
    ),
  ];
  return (
    <Section title={words.layOut()} mt="18px">
      <Box as="ul" pt="6px" textStyle="note">
        {lines.map((line) => (
          <Box as="li" key={line} py="3px">
            {line}
          </Box>
        ))}
      </Box>
    </Section>
  );
}

const operationsMean = ({ steps }: TeardownPlan): number => steps.reduce((sum, { work }) => sum + work, 0);
