'use client';
import { Box } from '@chakra-ui/react';
import { getModelPart, type Model } from '@/core/procedure/model';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import { Section } from '@/ui/base/Section';
import { testNames } from '@/words/say/names';
import { sayJoint } from '@/words/say/sayHands';
import * as words from '@/words/catalogue/bench';

/** What a gate tests, and what is put on for it alone: in the order in which hands do it. */
export function GateTests({ model, step }: { readonly model: Model; readonly step: SheetStep }) {
  if (step.tests.length === 0) return null;
  const joints = new Map(model.joints.map((joint) => [joint.id, joint]));
  const first = [
    ...step.lays.map((part) => words.layIn({ part: getModelPart(model, part).name })),
    ...step.mates.flatMap((id) => {
      const joint = joints.get(id);
      return joint ? [words.putOn({ joint: sayJoint(model, joint) })] : [];
    }),
    ...(step.usesPack && model.testPack ? [words.packOn({ pack: model.testPack.name })] : []),
  ];
  return (
    <Box display="grid" gap="16px" mt="14px" maxW="640px">
      {first.length > 0 && (
        <Section title={words.onlyForTheTest()} note={words.offAgainAfter()}>
          <Box as="ul" pt="6px">
            {first.map((line) => (
              <Box as="li" key={line} py="3px" fontSize="18px">
                {line}
              </Box>
            ))}
          </Box>
        </Section>
      )}
      <Section title={words.proveEach()}>
        <Box as="ul" pt="6px" display="grid" gridTemplateColumns="repeat(auto-fill, minmax(180px, 1fr))" gap="4px 18px">
          {step.tests.map((test) => (
            <Box as="li" key={test} fontSize="20px" fontWeight="700" py="4px">
              {testNames[test]}
            </Box>
          ))}
        </Box>
      </Section>
    </Box>
  );
}
