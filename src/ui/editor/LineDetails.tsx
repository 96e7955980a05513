'use client';
import { Box } from '@chakra-ui/react';
import { isScrew } from '@/core/procedure/joints';
import type { Model } from '@/core/procedure/model';
import type { Consumable, Operation } from '@/core/procedure/operations';
import { applyPatch, type Path } from '@/core/procedure/patch';
import { readTorque } from '@/core/screws/torque';
import { Section } from '@/ui/base/Section';
import { arcReasonNames, yesOrNo } from '@/words/say/names';
import { useSayRefusal } from '@/ui/base/Refused';
import { ChoiceCell, FieldRow, TextCell } from './FieldRow';
import { say as saySheet } from '@/words/catalogue/core/sheet';
import * as words from '@/words/catalogue/editor';

/** What a line has no column for: how it is done, what can happen, why it comes after others, and how it goes back. */
export function LineDetails({
  model,
  at,
  onChange,
}: {
  readonly model: Model;
  readonly at: number;
  readonly onChange: (model: Model) => void;
}) {
  const operation = model.operations[at] as Operation;
  const say = useSayRefusal();
  const [caution] = operation.cautions;
  const screws = operation.opens.flatMap((id) => model.joints.find((joint) => joint.id === id) ?? []).filter(isScrew);
  const torque = screws[0]?.torqueNewtonCm;
  const set = (path: Path, value: unknown) =>
    onChange(applyPatch(model, [{ path: ['operations', at, ...path], value }]));
  const orNone = (text: string) => (text.trim() === '' ? undefined : text.trim());
  return (
    <Section title={words.moreAboutThisLine()} mt="10px">
      <Box pt="6px">
        <FieldRow label={words.inOneSentence()}>
          <TextCell label={words.detail()} value={operation.detail} onTake={(text) => set(['detail'], text.trim())} />
        </FieldRow>
        <FieldRow label={words.posture()}>
          <TextCell
            label={words.posture()}
            value={operation.posture ?? ''}
            onTake={(text) => set(['posture'], orNone(text))}
          />
        </FieldRow>
        <FieldRow label={words.risk()}>
          <TextCell
            label={words.whatCanHappen()}
            value={caution?.what ?? ''}
            onTake={(text) =>
              set(
                ['cautions'],
                orNone(text)
                  ? [
                      { what: text.trim(), instead: caution?.instead ?? words.goSlowly() },
                      ...operation.cautions.slice(1),
                    ]
                  : operation.cautions.slice(1),
              )
            }
          />
        </FieldRow>
        {caution && (
          <FieldRow label={words.instead()}>
            <TextCell
              label={words.whatToDoInstead()}
              value={caution.instead}
              onTake={(text) => set(['cautions', 0, 'instead'], text.trim() || words.goSlowly())}
            />
          </FieldRow>
        )}
        {operation.after.map((arc, index) => (
          <FieldRow key={arc.any.join()} label={words.because({ index })}>
            <Box display="grid" gridTemplateColumns="96px minmax(0, 1fr)" gap="6px">
              <ChoiceCell
                label={words.reason({ index: index + 1 })}
                value={arc.reason}
                names={arcReasonNames}
                onTake={(reason) => set(['after', index, 'reason'], reason)}
              />
              <TextCell
                label={words.because2({ index: index + 1 })}
                value={saySheet(arc.because)}
                onTake={(text) => set(['after', index, 'because'], text.trim() || saySheet(arc.because))}
              />
            </Box>
          </FieldRow>
        ))}
        {screws.length > 0 && (
          <FieldRow label={words.torque()}>
            <TextCell
              label={words.torqueItsScrews()}
              value={torque ? `${torque.aim} N·cm` : ''}
              whyNot={(text) => {
                const read = readTorque(text);
                return text.trim() === '' || read.ok ? null : say(read.refusal);
              }}
              onTake={(text) =>
                onChange(
                  applyPatch(
                    model,
                    screws.map(({ id }) => torquePatch(model, id, text)),
                  ),
                )
              }
            />
          </FieldRow>
        )}
        {operation.back && <WayBack back={operation.back} set={(path, value) => set(['back', ...path], value)} />}
      </Box>
    </Section>
  );
}

/** How the line is done on the way back. */
function WayBack({
  back,
  set,
}: {
  readonly back: NonNullable<Operation['back']>;
  readonly set: (path: Path, value: unknown) => void;
}) {
  return (
    <>
      <FieldRow label={words.rebuild()}>
        <TextCell
          label={words.rebuild2()}
          value={back.title}
          onTake={(text) => set(['title'], text.trim() || back.title)}
        />
      </FieldRow>
      <FieldRow label={words.renews()}>
        <TextCell
          label={words.consumables()}
          value={back.consumables
            .map(({ name, count }) => (count === 1 ? saySheet(name) : `${count} ${saySheet(name)}`))
            .join(', ')}
          onTake={(text) => set(['consumables'], readConsumables(text, back.consumables))}
        />
      </FieldRow>
      <FieldRow label={words.seals()}>
        <ChoiceCell
          label={words.seals()}
          value={back.seals ? 'yes' : 'no'}
          names={yesOrNo}
          onTake={(word) => set(['seals'], word === 'yes' ? true : undefined)}
        />
      </FieldRow>
    </>
  );
}

/** Drivers are set to a tenth, and a driver is trusted to about a tenth either way. */
const torqueSpread = 0.1;
const tenth = (value: number) => Math.round(value * 10) / 10;

function torquePatch(model: Model, joint: string, text: string) {
  const read = readTorque(text);
  const value = read.ok
    ? {
        low: tenth(read.value * (1 - torqueSpread)),
        aim: tenth(read.value),
        high: tenth(read.value * (1 + torqueSpread)),
      }
    : undefined;
  return { path: ['joints', model.joints.findIndex(({ id }) => id === joint), 'torqueNewtonCm'], value };
}

/** “2 Cell tape, Seal” → two kinds of consumables; prices stay as they were. */
function readConsumables(text: string, before: readonly Consumable[]) {
  return text
    .split(',')
    .map((entry) => /^\s*(?:(\d{1,2})\s+)?(.+?)\s*$/.exec(entry))
    .filter((match) => match !== null)
    .map((match) => {
      const name = match[2] as string;
      return {
        name,
        count: Number(match[1] ?? 1),
        unitCents: before.find((known) => known.name === name)?.unitCents ?? 0,
      };
    });
}
