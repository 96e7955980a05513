'use client';
import { Box, chakra } from '@chakra-ui/react';
import { useRef, useState, type KeyboardEvent } from 'react';
import { completionsFor } from '@/core/drafting/completions';
import {
  emptyLine,
  lineFields,
  lineOf,
  writeLine,
  type LineField,
  type OperationLine,
  type Unread,
} from '@/core/drafting/operationLine';
import type { ModelProblem } from '@/core/procedure/checks/problem';
import type { Model } from '@/core/procedure/model';
import type { Operation } from '@/core/procedure/operations';
import { CellInput } from './CellInput';
import { say as sayCheck } from '@/words/catalogue/core/checks';
import * as words from '@/words/catalogue/editor';
import { say as sayOpening } from '@/words/catalogue/core/opening';

const widths = 'minmax(160px, 2fr) 76px minmax(96px, 1.1fr) minmax(110px, 1.4fr) minmax(84px, 1.1fr) 64px 100px';
const columns = `34px ${widths}`;
const heads: Readonly<Record<LineField, string>> = {
  title: words.verbAndThing(),
  face: words.face(),
  tool: words.tool(),
  opens: words.opens(),
  frees: words.frees(),
  after: words.after(),
  minutes: words.minutesWord(),
};
const hints: Readonly<Record<LineField, string>> = {
  title: words.takeSpeakerOut(),
  face: words.asAbove(),
  tool: words.asAbove(),
  opens: '3 PH00 3.0, plug',
  frees: 'speaker',
  after: words.lineAbove(),
  minutes: '1.2',
};

const Line = chakra('div', {
  base: {
    display: 'grid',
    gridTemplateColumns: columns,
    gap: '4px',
    alignItems: 'center',
    minH: '36px',
    borderBottomWidth: '1px',
    borderColor: 'rule',
    fontSize: '15px',
    cursor: 'pointer',
  },
  variants: { state: { plain: {}, chosen: { bg: 'actionSoft' } } },
});

export interface LineTableProps {
  readonly model: Model;
  readonly problems: readonly ModelProblem[];
  /** The line that is chosen; one behind the last is a new one. */
  readonly at: number;
  readonly isEditing: boolean;
  readonly onChoose: (at: number, isEditing: boolean) => void;
  readonly onChange: (model: Model) => void;
}

/** Operations as lines that are typed: the chosen one has fields, what the checks say of it stands below it. */
export function LineTable({ model, problems, at, isEditing, onChoose, onChange }: LineTableProps) {
  const rows = [...model.operations.keys(), model.operations.length];
  return (
    <Box role="table" aria-label={words.operations()}>
      <Box
        role="row"
        display="grid"
        gridTemplateColumns={columns}
        gap="4px"
        textStyle="caption"
        color="inkMuted"
        pb="4px"
      >
        <span role="columnheader">
          <Box as="span" srOnly>
            {words.numberWord()}
          </Box>
        </span>
        {lineFields.map((field) => (
          <span role="columnheader" key={field}>
            {heads[field]}
          </span>
        ))}
      </Box>
      {rows.map((row) =>
        row === at && isEditing ? (
          <EditedLine
            key={`${row} ${model.operations[row]?.id}`}
            model={model}
            at={row}
            onChoose={onChoose}
            onChange={onChange}
          />
        ) : (
          <ShownLine
            key={row}
            model={model}
            at={row}
            isChosen={row === at}
            problems={problemsOf(problems, row)}
            onChoose={onChoose}
          />
        ),
      )}
    </Box>
  );
}

/** What the checks say of a line: of the operation, and of the joints and parts that no other line speaks of. */
export const problemsOf = (problems: readonly ModelProblem[], row: number): readonly ModelProblem[] =>
  problems.filter(({ path }) => path[0] === 'operations' && path[1] === row);

function ShownLine({
  model,
  at,
  isChosen,
  problems,
  onChoose,
}: {
  readonly model: Model;
  readonly at: number;
  readonly isChosen: boolean;
  readonly problems: readonly ModelProblem[];
  readonly onChoose: LineTableProps['onChoose'];
}) {
  const operation = model.operations[at];
  const line = operation ? lineOf(model, operation) : emptyLine;
  const [problem] = problems;
  return (
    <Box role="row" aria-selected={isChosen}>
      <Line state={isChosen ? 'chosen' : 'plain'} onClick={() => onChoose(at, isChosen || !operation)}>
        <Box
          role="cell"
          textStyle="caption"
          textAlign="end"
          pe="6px"
          color={problem ? 'danger' : 'inkMuted'}
          fontWeight={problem ? '700' : '400'}
        >
          {operation ? at + 1 : '+'}
        </Box>
        {operation ? (
          lineFields.map((field) => (
            <Box role="cell" key={field} truncate px="7px" title={line[field]}>
              {shownOf(operation, line, field)}
            </Box>
          ))
        ) : (
          <Box role="cell" px="7px" color="inkMuted" gridColumn="2 / -1">
            {words.newLine2()}
          </Box>
        )}
      </Line>
      {problem && (
        <Box
          role="cell"
          ps="41px"
          py="3px"
          textStyle="note"
          color={problem.severity === 'error' ? 'danger' : 'waiting'}
        >
          {sayCheck(problem.says)} {sayCheck(problem.mend)}
          {problems.length > 1 && ` ${words.more({ problems: problems.length - 1 })}`}
        </Box>
      )}
    </Box>
  );
}

/** A line at rest: the likely minutes, and a driver by what it drives. */
function shownOf({ minutes }: Operation, line: OperationLine, field: LineField): string {
  if (field === 'minutes') return String(minutes.likely);
  return field === 'tool' ? line.tool.replace(/^\S+ driver (\S+)$/, '$1 driver') : line[field];
}

function EditedLine({ model, at, onChoose, onChange }: Pick<LineTableProps, 'model' | 'at' | 'onChoose' | 'onChange'>) {
  const operation = model.operations[at];
  const keep = `plucky-line-${model.id}-${at}`;
  const [line, setLine] = useState<OperationLine>(
    () => keptLine(keep) ?? (operation ? lineOf(model, operation) : emptyLine),
  );
  const [unread, setUnread] = useState<readonly Unread[]>([]);
  const row = useRef<HTMLDivElement>(null);
  const isEmpty = Object.values(line).every((text) => text.trim() === '');

  /** Takes the line; false when something of it could not be read and the person should look. */
  const take = (): boolean => {
    if (isEmpty || (!operation && line.title.trim() === '')) return true;
    const written = writeLine(model, at, line);
    setUnread(written.unread);
    if (written.unread.length > 0) return false;
    localStorage.removeItem(keep);
    if (JSON.stringify(written.model) !== JSON.stringify(model)) onChange(written.model);
    return true;
  };
  const onKey = (event: KeyboardEvent<HTMLInputElement>) => {
    if (event.key === 'Enter') {
      event.preventDefault();
      if (isEmpty) return onChoose(at, false);
      if (take()) onChoose(at + 1, true);
    } else if (event.key === 'Escape') {
      event.stopPropagation();
      localStorage.removeItem(keep);
      onChoose(at, false);
    } else if (event.key === 'ArrowUp' && at > 0) {
      if (take()) onChoose(at - 1, true);
    } else if (event.key === 'ArrowDown' && at < model.operations.length) {
      if (take()) onChoose(at + 1, true);
    }
  };
  return (
    <Box
      ref={row}
      role="row"
      bg="actionSoft"
      py="4px"
      onBlur={(event) => {
        if (!row.current?.contains(event.relatedTarget as Node | null) && take() && event.relatedTarget)
          onChoose(at, false);
      }}
    >
      <Box display="grid" gridTemplateColumns={columns} gap="4px" alignItems="center">
        <Box role="cell" textStyle="caption" textAlign="end" pe="6px" color="action" fontWeight="700">
          {operation ? at + 1 : '+'}
        </Box>
        {lineFields.map((field) => (
          <div role="cell" key={field}>
            <CellInput
              label={heads[field]}
              value={line[field]}
              placeholder={operation || at > 0 || field === 'title' || field === 'opens' ? hints[field] : ''}
              words={completionsFor(model, at, field, line[field])}
              isWrong={unread.some((entry) => entry.field === field)}
              inputRef={field === 'title' ? focusFirst : undefined}
              onChange={(value) => {
                const next = { ...line, [field]: value };
                setLine(next);
                localStorage.setItem(keep, JSON.stringify(next));
              }}
              onKeyDown={onKey}
            />
          </div>
        ))}
      </Box>
      {unread.map(({ field, says }) => (
        <Box key={`${field} ${sayOpening(says)}`} role="cell" ps="41px" pt="4px" textStyle="note" color="danger">
          {sayOpening(says)}
        </Box>
      ))}
    </Box>
  );
}

/** A line that was being typed when the browser was closed. */
function keptLine(key: string): OperationLine | null {
  const text = typeof localStorage === 'undefined' ? null : localStorage.getItem(key);
  return text === null ? null : (JSON.parse(text) as OperationLine);
}

/** The first field has the focus when a line is opened. */
const focusFirst = (input: HTMLInputElement | null): void => {
  if (input && !input.closest('[role=row]')?.contains(document.activeElement)) input.focus();
};
