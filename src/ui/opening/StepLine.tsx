'use client';
import { Box } from '@chakra-ui/react';
import { useState, type KeyboardEvent } from 'react';
import { readScrewList } from '@/core/drafting/parseJoints';
import type { LogEntry, Verb } from '@/core/opening/openingLog';
import { CellInput } from '@/ui/editor/CellInput';
import type { NewStep } from './useOpening';
import { usualThings, usualTools } from '@/core/drafting/usualWords';
import { verbWords } from './verbWords';
import * as texts from '@/words/catalogue/opening';

const fields = ['thing', 'screws', 'tool', 'face', 'posture', 'trouble'] as const;
type Field = (typeof fields)[number];
const labels: Readonly<Record<Field, string>> = {
  thing: texts.what(),
  screws: texts.screws(),
  tool: texts.tool(),
  face: texts.sideUp(),
  posture: texts.posture(),
  trouble: texts.trouble(),
};
const hints: Readonly<Record<Field, string>> = {
  thing: usualThings[0],
  screws: '4 PH00 3.0',
  tool: texts.asBefore(),
  face: texts.asBefore(),
  posture: '',
  trouble: '',
};

/** One step being typed: the verb stands, the thing is asked first, the rest is as before unless it is said. */
export function StepLine({
  verb,
  leg,
  last,
  things,
  tools,
  faces,
  onLog,
  onClose,
}: {
  readonly verb: Verb;
  readonly leg: LogEntry['leg'];
  readonly last: LogEntry | undefined;
  readonly things: readonly string[];
  readonly tools: readonly string[];
  readonly faces: readonly string[];
  readonly onLog: (step: NewStep) => void;
  readonly onClose: () => void;
}) {
  const [typed, setTyped] = useState<Readonly<Record<Field, string>>>({
    thing: '',
    screws: '',
    tool: '',
    face: '',
    posture: '',
    trouble: '',
  });
  const [fault, setFault] = useState<string | null>(null);
  const words: Readonly<Record<Field, readonly string[]>> = {
    thing: things,
    screws: [],
    tool: tools,
    face: faces,
    posture: [],
    trouble: [],
  };
  const matching = (field: Field) => {
    const start = typed[field].trim().toLowerCase();
    // What is a word as it stands is meant as it stands: the battery is not the battery door.
    if (words[field].some((word) => word.toLowerCase() === start)) return [];
    return words[field].filter((word) => word.toLowerCase().startsWith(start)).slice(0, 8);
  };
  const log = () => {
    const { screws, unread } = readScrewList(typed.screws);
    if (typed.thing.trim() === '') return setFault(texts.nameThingFirst());
    if (unread.length > 0) return setFault(texts.notScrewWriteNumberHead({ unread: unread[0] }));
    onLog({
      verb,
      thing: typed.thing.trim(),
      screws,
      tool: typed.tool.trim() || last?.tool || usualTools[0],
      face: typed.face.trim() || last?.face || texts.backUp(),
      posture: typed.posture.trim(),
      trouble: typed.trouble.trim(),
    });
  };
  const onKey = (event: KeyboardEvent) => {
    if (event.key === 'Enter') {
      event.preventDefault();
      log();
    }
    if (event.key === 'Escape') {
      event.stopPropagation();
      onClose();
    }
  };
  return (
    <Box bg="actionSoft" p="12px 14px" borderRadius="soft">
      <Box textStyle="figure" mb="8px">
        {verbWords[verb][leg]}
      </Box>
      <Box display="grid" gridTemplateColumns="1.4fr 1.3fr 1.2fr 1fr 0.9fr 1.2fr" gap="8px">
        {fields.map((field) => (
          <Box as="label" key={field} textStyle="caption" color="inkMuted">
            {labels[field]}
            <CellInput
              label={labels[field]}
              value={typed[field]}
              placeholder={
                field === 'tool'
                  ? (last?.tool ?? usualTools[0])
                  : field === 'face'
                    ? (last?.face ?? texts.backUp())
                    : hints[field]
              }
              words={matching(field)}
              inputRef={field === 'thing' ? focusOnce : undefined}
              onChange={(value) => {
                setFault(null);
                setTyped((before) => ({ ...before, [field]: value }));
              }}
              onKeyDown={onKey}
            />
          </Box>
        ))}
      </Box>
      {fault && (
        <Box mt="6px" color="danger" role="alert">
          {fault}
        </Box>
      )}
    </Box>
  );
}

const focusOnce = (input: HTMLInputElement | null): void => {
  if (input && document.activeElement?.tagName !== 'INPUT') input.focus();
};
