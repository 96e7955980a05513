'use client';
import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import type { Model } from '@/core/procedure/model';
import type { Operation } from '@/core/procedure/operations';
import { screwGroups, screwName } from '@/core/screws/screwGroups';
import { money } from '@/core/shared/money';
import { Headline } from '@/ui/base/Headline';
import { RowButton } from '@/ui/base/Row';
import { Section } from '@/ui/base/Section';
import { SidePanel } from '@/ui/base/SidePanel';
import { FaceDrawing } from '@/ui/drawing/FaceDrawing';
import { FaceLegend } from '@/ui/drawing/FaceLegend';
import { KeyButton } from '@/ui/keys/KeyButton';
import { useChosen } from '@/ui/keys/useChosen';
import { sayList } from '@/ui/words/amounts';

/** How does it come apart? Operations down the left, the chosen one on its face, what it needs and frees beside it. */
export function ModelScreen({ model }: { readonly model: Model }) {
  const { chosen, choose } = useChosen(model.operations.map(({ id }) => id));
  const [faceShift, setFaceShift] = useState(0);
  const operation = model.operations.find(({ id }) => id === chosen) as Operation;
  const own = model.faces.findIndex(({ id }) => id === operation.face);
  const face = model.faces[(own + faceShift) % model.faces.length] as Model['faces'][number];
  const joints = operation.opens.flatMap((id) => model.joints.find((joint) => joint.id === id) ?? []);
  const size = { width: 520, height: 380 };
  const screws = screwGroups(model.joints);
  return (
    <Box
      display="grid"
      gridTemplateColumns={{ base: '1fr', lg: '300px minmax(0, 1fr) 300px' }}
      minH="calc(100vh - 84px)"
    >
      <Box
        as="nav"
        aria-label="Operations"
        borderEndWidth="1px"
        borderColor="rule"
        overflowY="auto"
        maxH="calc(100vh - 84px)"
        py="14px"
      >
        {model.operations.map(({ id, title }) => (
          <RowButton
            key={id}
            state={id === chosen ? 'now' : 'plain'}
            press="yes"
            minH="38px"
            onClick={() => {
              choose(id);
              setFaceShift(0);
            }}
          >
            {title}
          </RowButton>
        ))}
      </Box>
      <Box p="20px 26px" minW="0">
        <Headline
          lead={`${model.parts.length} parts, ${model.operations.length} operations, ${screws.reduce((sum, { count }) => sum + count, 0)} screws in ${screws.length} kinds: ${sayList(screws.map((group) => `${group.count} × ${screwName(group)}`))}.`}
          aside={
            <a href={`/api/models/${model.id}`} download={`${model.id}.json`}>
              <Box as="span" color="action" textDecoration="underline">
                document
              </Box>
            </a>
          }
        >
          {model.maker} {model.name}
          <Box as="span" fontSize="18px" fontWeight="400" color="inkMuted" ms="10px">
            version {model.version}
          </Box>
        </Headline>
        <FaceDrawing
          model={model}
          face={face}
          joints={joints}
          operation={face.id === operation.face ? operation : undefined}
          wanted={operation.frees}
          maxWidth={size.width}
          maxHeight={size.height}
        />
        <FaceLegend
          face={face}
          operation={face.id === operation.face ? operation : undefined}
          scale={Math.min(size.width / face.widthMm, size.height / face.heightMm)}
        />
        <Box mt="12px">
          <KeyButton keyName="f" label="Other face" size="small" onPress={() => setFaceShift((shift) => shift + 1)} />
        </Box>
      </Box>
      <SidePanel>
        <OperationFacts model={model} operation={operation} />
      </SidePanel>
    </Box>
  );
}

function OperationFacts({ model, operation }: { readonly model: Model; readonly operation: Operation }) {
  const partName = (id: string) => model.parts.find((part) => part.id === id)?.name ?? id;
  const titleOf = (id: string) => model.operations.find((other) => other.id === id)?.title ?? id;
  return (
    <>
      <Section title={operation.title} note={`${operation.minutes.low} to ${operation.minutes.high} min`}>
        <Box pt="8px">{operation.detail}</Box>
        <Box pt="6px" color="inkMuted">
          {operation.tool}
          {operation.when && ` · only if ${conditionWords(operation)}`}
        </Box>
      </Section>
      <Section title="Comes after">
        {operation.after.length === 0 && (
          <Box pt="8px" color="inkMuted">
            Nothing: it can be the first.
          </Box>
        )}
        {operation.after.map((arc) => (
          <Box key={arc.any.join()} pt="8px">
            {arc.any.map(titleOf).join(', or: ')}
            <Box textStyle="note" color="inkMuted">
              {arc.reason}: {arc.because}
            </Box>
          </Box>
        ))}
      </Section>
      {operation.frees.length > 0 && (
        <Section title="Frees">
          {operation.frees.map((id) => {
            const value = model.parts.find((part) => part.id === id)?.valueCents;
            return (
              <Box key={id} pt="8px" display="flex" justifyContent="space-between">
                <span>{partName(id)}</span>
                <Box as="span" color="inkMuted">
                  {value ? `A ${money(value.A)} · B ${money(value.B)}` : 'no worth of its own'}
                </Box>
              </Box>
            );
          })}
        </Section>
      )}
      <Section title="On the way back">
        <Box pt="8px">{operation.back ? `${operation.back.title}. ${operation.back.detail}` : 'Nothing to do.'}</Box>
        {operation.back?.seals && (
          <Box color="danger" fontWeight="600">
            It seals: the gate comes before it.
          </Box>
        )}
      </Section>
    </>
  );
}

function conditionWords({ when }: Operation): string {
  return [
    when?.revisions && `revision ${when.revisions.join(' or ')}`,
    when?.configurations && `fitted: ${when.configurations.join(' or ')}`,
    when?.findings && `found: ${when.findings.join(' or ')}`,
    when?.absentFindings && `not found: ${when.absentFindings.join(' or ')}`,
  ]
    .filter(Boolean)
    .join(', ');
}
