import { ChakraProvider } from '@chakra-ui/react';
import { AppRouterContext, type AppRouterInstance } from 'next/dist/shared/lib/app-router-context.shared-runtime';
import { renderToStaticMarkup } from 'react-dom/server';
import type { ReactNode } from 'react';
import { shippedModels, writtenModels } from '../../../tests/support/models';
import { situationsOf } from '../../../tests/support/situations';
import type { Unit } from '@/core/entities/entities';
import type { Model } from '@/core/procedure/model';
import { startingHouseRules } from '@/core/shared/houseRules';
import { planRunSheet, reachableTargets, type RunSheet } from '@/core/teardown/sheet/runSheet';
import { say as saySheet } from '@/words/catalogue/core/sheet';
import { FaceLegend } from '@/ui/drawing/FaceLegend';
import { OperationFacts } from '@/ui/models/OperationFacts';
import { PartFacts } from '@/ui/models/PartFacts';
import { KeysProvider } from '@/ui/keys/KeysProvider';
import { system } from '@/ui/theme/system';
import { StepDrawing } from './step/StepDrawing';
import { StepNotes } from './step/StepNotes';
import { PowerNotes, StepCautions, StepHead } from './step/StepSays';

const inApplication = (children: ReactNode): string =>
  renderToStaticMarkup(
    <AppRouterContext.Provider value={{} as AppRouterInstance}>
      <ChakraProvider value={system}>
        <KeysProvider>{children}</KeysProvider>
      </ChakraProvider>
    </AppRouterContext.Provider>,
  );

function sheetsOf(model: Model): readonly RunSheet[] {
  return situationsOf(model).flatMap((situation) => {
    const targets = model.parts.map(({ id }) => id);
    const request = { ...situation, kind: 'rebuild' as const, targets };
    const sheet = planRunSheet(
      model,
      { ...request, targets: reachableTargets(model, request, startingHouseRules) },
      startingHouseRules,
    );
    return sheet.ok ? [sheet.value] : [];
  });
}

/** What the bench shows of the steps of some sheets, each once. */
function atTheBench(model: Model, sheets: readonly RunSheet[]): string {
  const seen = new Set<string>();
  const steps = sheets.flatMap((sheet) =>
    sheet.steps.flatMap((step) => {
      const key = JSON.stringify({ ...step, cups: step.cups.length });
      if (seen.has(key)) return [];
      seen.add(key);
      return [{ sheet, step }];
    }),
  );
  return inApplication(
    steps.map(({ sheet, step }, at) => {
      const face = model.faces.find(({ id }) => id === step.face) ?? model.faces[0];
      return (
        <main key={at}>
          <StepHead step={step} face={face} />
          <StepCautions model={model} step={step} sheet={sheet} state={null} />
          {face && (
            <StepDrawing
              model={model}
              unit={{ marks: [] } as unknown as Unit}
              step={step}
              sheet={sheet}
              face={face}
              outParts={[]}
              outNow={new Set()}
            />
          )}
          <StepNotes model={model} step={step} sheet={sheet} onFound={() => undefined} />
        </main>
      );
    }),
  );
}

/** What the library shows of a model: each step with everything written of it, each part, each face. */
const inTheLibrary = (model: Model): string =>
  inApplication(
    <>
      {model.operations.map((operation) => (
        <OperationFacts key={operation.id} model={model} operation={operation} />
      ))}
      {model.parts.map((part) => (
        <PartFacts key={part.id} model={model} part={part} />
      ))}
      {model.faces.map((face) => (
        <FaceLegend
          key={face.id}
          face={face}
          zones={{ keepOut: face.keepOut, protectedZones: face.protectedZones ?? [] }}
          scale={1}
        />
      ))}
      <PowerNotes model={model} isDead />
      <PowerNotes model={model} isDead={false} />
    </>,
  );

/** Every sentence that an author wrote: texts with a space, which no id and no word of the format has. */
function sentencesOf(value: unknown, found = new Set<string>()): ReadonlySet<string> {
  if (typeof value === 'string') {
    if (value.includes(' ')) found.add(value);
  } else if (typeof value === 'object' && value !== null) {
    if ('code' in value) found.add(saySheet(value as never));
    else for (const own of Object.values(value)) sentencesOf(own, found);
  }
  return found;
}

const escaped = (text: string): string => renderToStaticMarkup(<>{text}</>).toLowerCase();

/** Shown elsewhere, each by its own test: names that are searched for, and what Triage asks. */
const elsewhere = ({ aliases, revisions, configurations, variants, parts, maker, name }: Model): readonly unknown[] => [
  aliases,
  revisions,
  configurations,
  variants,
  `${maker} ${name}`,
  name,
  parts.map((part) => part.aliases),
];

test.each([...shippedModels, ...writtenModels].map((model) => [model.name, model] as const))(
  '%s: every sentence that its author wrote is shown, at the bench where it is needed or in the library',
  (_, model) => {
    const shown = `${inTheLibrary(model)}\n${atTheBench(model, sheetsOf(model))}`.toLowerCase();
    const notHere = sentencesOf(elsewhere(model));
    const missing = [...sentencesOf(model)].filter((text) => !notHere.has(text) && !shown.includes(escaped(text)));
    expect(missing).toEqual([]);
  },
);
