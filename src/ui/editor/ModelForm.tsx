'use client';
import { Box } from '@chakra-ui/react';
import type { Model } from '@/core/procedure/model';
import { applyPatch, type Path } from '@/core/procedure/patch';
import { deviceTests, type DeviceTest } from '@/core/procedure/vocabulary';
import { saleGrades } from '@/core/shared/grades';
import { Section } from '@/ui/base/Section';
import { readCents, sayCents } from './cents';
import { ChoiceCell, FieldRow, TextCell } from './FieldRow';
import { kindNames } from '@/words/say/names';
import * as words from '@/words/catalogue/editor';

const lettersPattern = /^[a-z]{2,3}$/;

/** What the whole model is: names, how it is switched off, faces with their size, prices, tests. */
export function ModelForm({ model, onChange }: { readonly model: Model; readonly onChange: (model: Model) => void }) {
  const set = (path: Path, value: unknown) => onChange(applyPatch(model, [{ path, value }]));
  const isFilled = (text: string) => text.trim() !== '';
  const list = (text: string) =>
    text
      .split(',')
      .map((word) => word.trim())
      .filter(Boolean);
  const toggle = (test: DeviceTest) =>
    set(
      ['tests'],
      deviceTests.filter((other) => (other === test) !== model.tests.includes(other)),
    );
  return (
    <Box display="grid" gridTemplateColumns={{ base: 'minmax(0, 1fr)', xl: '1fr 1fr' }} gap="28px">
      <Section title={words.names()}>
        <FieldRow label={words.maker()}>
          <TextCell
            label={words.maker()}
            value={model.maker}
            read={isFilled}
            onTake={(text) => set(['maker'], text.trim())}
          />
        </FieldRow>
        <FieldRow label={words.name()}>
          <TextCell
            label={words.name()}
            value={model.name}
            read={isFilled}
            onTake={(text) => set(['name'], text.trim())}
          />
        </FieldRow>
        <FieldRow label={words.kind()}>
          <ChoiceCell
            label={words.kind()}
            value={model.kind}
            names={kindNames}
            onTake={(kind) => set(['kind'], kind)}
          />
        </FieldRow>
        <FieldRow label={words.letters()}>
          <TextCell
            label={words.letters()}
            value={model.letters}
            read={(text) => lettersPattern.test(text)}
            onTake={(text) => set(['letters'], text)}
          />
        </FieldRow>
        <FieldRow label={words.otherNames()}>
          <TextCell
            label={words.otherNames()}
            value={model.aliases.join(', ')}
            onTake={(text) => set(['aliases'], list(text))}
          />
        </FieldRow>
        <FieldRow label={words.howToConfirmOff()}>
          <TextCell
            label={words.howToConfirmOff()}
            value={model.proofOfOff}
            read={isFilled}
            onTake={(text) => set(['proofOfOff'], text.trim())}
          />
        </FieldRow>
        <FieldRow label={words.priceBCD()}>
          <TextCell
            label={words.priceByGrade()}
            value={saleGrades.map((grade) => sayCents(model.priceCents[grade])).join(' ')}
            read={(text) => readCents(text) !== null}
            onTake={(text) => set(['priceCents'], readCents(text))}
          />
        </FieldRow>
        <FieldRow label={words.tests()}>
          <Box display="flex" flexWrap="wrap" gap="2px 14px">
            {deviceTests.map((test) => (
              <Box as="label" key={test} display="inline-flex" gap="6px" alignItems="center" minH="28px">
                <input type="checkbox" checked={model.tests.includes(test)} onChange={() => toggle(test)} />
                {test}
              </Box>
            ))}
          </Box>
        </FieldRow>
      </Section>
      <Section title={words.faces()} note={words.widthHeightCornerMm()}>
        {model.faces.map((face, at) => (
          <Box
            key={face.id}
            display="grid"
            gridTemplateColumns="84px minmax(0, 1fr) 150px"
            gap="8px"
            alignItems="center"
            py="2px"
          >
            <Box as="span" textStyle="note" color="inkMuted">
              {face.id}
            </Box>
            <TextCell
              label={words.nameFace({ id: face.id })}
              value={face.name}
              read={isFilled}
              onTake={(text) => set(['faces', at, 'name'], text.trim())}
            />
            <TextCell
              label={words.sizeFace({ id: face.id })}
              value={`${face.widthMm} ${face.heightMm} ${face.cornerMm}`}
              read={(text) => readSize(text) !== null}
              onTake={(text) =>
                onChange(applyPatch(model, [{ path: ['faces', at], value: { ...face, ...readSize(text) } }]))
              }
            />
          </Box>
        ))}
      </Section>
    </Box>
  );
}

function readSize(text: string) {
  const numbers = text
    .trim()
    .split(/[\s×x]+/)
    .map((word) => Number(word.replace(',', '.')));
  const [widthMm, heightMm, cornerMm] = numbers;
  if (numbers.length !== 3 || !numbers.every((number) => Number.isFinite(number) && number >= 0)) return null;
  return widthMm && heightMm ? { widthMm, heightMm, cornerMm: cornerMm ?? 0 } : null;
}
