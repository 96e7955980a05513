'use client';
import { say as sayLibrary } from '@/words/catalogue/core/library';
import { Box, chakra } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { cardOf } from '@/core/library/modelCard';
import type { Face } from '@/core/procedure/faces';
import type { Model } from '@/core/procedure/model';
import type { ComparisonView } from '@/services/models/readComparison';
import { Headline } from '@/ui/base/Headline';
import { Select } from '@/ui/base/Input';
import { Section } from '@/ui/base/Section';
import { FaceDrawing } from '@/ui/drawing/FaceDrawing';
import * as texts from '@/words/catalogue/models';
import { featureNames } from '@/words/say/names';

const Cell = chakra('td', {
  base: { py: '8px', pe: '18px', borderBottomWidth: '1px', borderColor: 'rule', verticalAlign: 'top' },
});

/** What a colleague would say of the two. */
function answer(first: Model, second: Model): string {
  const difference = cardOf(first).minutes - cardOf(second).minutes;
  if (Math.abs(difference) < 0.5) return texts.andTakeSameTime({ name: first.name, name2: second.name });
  const words = texts.minLonger({ difference: Math.abs(difference), isDifference: difference > 0 ? 'yes' : 'no' });
  return texts.takesThan({ name: first.name, value: words, name2: second.name });
}

/** Two models held against each other: to scale, in figures, and by what only one of them has. */
export function CompareScreen({ view }: { readonly view: ComparisonView }) {
  const router = useRouter();
  const { models, comparison, others } = view;
  const [first, second] = models;
  // One scale for both, so that sizes can be compared by eye.
  const faces = models.map((model) => model.faces[0] as Face);
  const scale = Math.min(
    440 / Math.max(...faces.map((face) => face.widthMm)),
    230 / Math.max(...faces.map((face) => face.heightMm)),
  );
  const shared = comparison.shared;
  return (
    <Box p="24px 28px" maxW="1180px">
      <Headline
        lead={
          shared.length === 0
            ? texts.noPartOneFitsOther()
            : texts.noPartClassesFitBoth({ shared: shared.length, name: shared.map(({ names: [name] }) => name) })
        }
        aside={
          <Select
            aria-label={texts.compareWith()}
            w="240px"
            value={second.id}
            onChange={(event) => router.push(`/models/${first.id}/compare/${event.currentTarget.value}`)}
          >
            {others.map(({ id, maker, name }) => (
              <option key={id} value={id}>
                {maker} {name}
              </option>
            ))}
          </Select>
        }
      >
        {answer(first, second)}
      </Headline>
      <chakra.table w="100%" mt="10px" css={{ borderCollapse: 'collapse' }}>
        <thead>
          <tr>
            <Cell as="th" w="200px" />
            {models.map((model, at) => (
              <Cell as="th" key={model.id} textAlign="start">
                <Box fontWeight="700" mb="8px">
                  {model.maker} {model.name}
                </Box>
                <FaceDrawing
                  model={model}
                  face={faces[at] as Face}
                  maxWidth={(faces[at]?.widthMm ?? 1) * scale}
                  maxHeight={(faces[at]?.heightMm ?? 1) * scale}
                />
              </Cell>
            ))}
          </tr>
        </thead>
        <tbody>
          {comparison.rows.map(({ label, values }) => (
            <tr key={label.code}>
              <Cell as="th" textAlign="start" fontWeight="400" color="inkMuted">
                {sayLibrary(label)}
              </Cell>
              {values.map((value, at) => (
                <Cell key={at}>{sayLibrary(value)}</Cell>
              ))}
            </tr>
          ))}
        </tbody>
      </chakra.table>
      <Box display="grid" gridTemplateColumns="repeat(3, 1fr)" gap="28px" mt="22px">
        {(
          [
            [texts.only({ name: first.name }), comparison.onlyFirst],
            [texts.only({ name: second.name }), comparison.onlySecond],
            [texts.both(), comparison.both],
          ] as const
        ).map(([title, features]) => (
          <Section key={title} title={title} note={String(features.length)}>
            <Box as="ul" pt="6px">
              {features.map((feature) => (
                <li key={feature}>{featureNames[feature]}</li>
              ))}
            </Box>
          </Section>
        ))}
      </Box>
    </Box>
  );
}
