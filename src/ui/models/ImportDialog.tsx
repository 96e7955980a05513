'use client';
import * as counts from '@/words/catalogue/counts';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { v4 as uuid } from 'uuid';
import type { Face } from '@/core/procedure/faces';
import type { Refusal } from '@/core/shared/outcome';
import type { ModelPreview } from '@/services/models/previewModel';
import { Button } from '@/ui/base/Button';
import { Caution } from '@/ui/base/Caution';
import { Dialog } from '@/ui/base/Dialog';
import { ScrollBox } from '@/ui/base/ScrollBox';
import { Section } from '@/ui/base/Section';
import { FaceDrawing } from '@/ui/drawing/FaceDrawing';
import { Refused } from '@/ui/base/Refused';
import { DifferenceList } from './DifferenceList';
import { ProblemList } from './ProblemList';
import { send } from '@/ui/server/send';
import * as words from '@/words/catalogue/models';
import { kindNames } from '@/words/say/names';

/** What a document would be if it were taken: drawn, checked, and against the version there is. Taken only on demand. */
export function ImportDialog({
  text,
  preview,
  onClose,
}: {
  readonly text: string;
  readonly preview: ModelPreview;
  readonly onClose: () => void;
}) {
  const router = useRouter();
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const { model, problems, more, newest, differences } = preview;
  const isOld = model !== null && newest !== null && model.version <= newest;
  const publish = async () => {
    const outcome = await send<{ id: string }>('POST', '/api/models/import', text);
    if (!outcome.ok) return setRefusal(outcome.refusal);
    router.push(`/models/${outcome.value.id}`);
    router.refresh();
  };
  const draft = async () => {
    const id = uuid();
    const outcome = await send('POST', '/api/drafts', { id, from: 'document', document: model });
    if (!outcome.ok) return setRefusal(outcome.refusal);
    router.push(`/models/drafts/${id}`);
  };
  return (
    <Dialog
      title={model ? words.preview({ maker: model.maker, name: model.name }) : words.thisFileCannotBeImported()}
      onClose={onClose}
    >
      <Box minW="560px">
        {model && <Sketch model={model} />}
        {problems.length > 0 ? (
          <Section
            title={counts.problems({ count: problems.length + more })}
            note={more > 0 ? words.firstProblemsShown({ shown: problems.length }) : undefined}
            mt="14px"
          >
            <ScrollBox label={words.problems()} maxH="240px">
              <ProblemList problems={problems} />
            </ScrollBox>
          </Section>
        ) : (
          <Box mt="12px" color="sound" fontWeight="600">
            {words.noProblemsFound()}
          </Box>
        )}
        {newest !== null && (
          <Section title={words.comparedWithVersion({ newest })} mt="14px">
            <ScrollBox label={words.differences()} pt="6px" maxH="160px">
              <DifferenceList differences={differences} />
            </ScrollBox>
          </Section>
        )}
        {isOld && (
          <Caution tone="waiting" what={words.versionNotAbove({ version: model.version, newest })}>
            {words.publishedVersionNeverChangesImport()}
          </Caution>
        )}
        {refusal && (
          <Caution what={words.notImported()}>
            <Refused refusal={refusal} />
          </Caution>
        )}
        {model && (
          <Box display="flex" gap="10px" mt="18px">
            {preview.isPublishable && !isOld && (
              <Button look="action" autoFocus onClick={() => void publish()}>
                {words.publishVersion({ version: model.version })}
              </Button>
            )}
            <Button look="outline" onClick={() => void draft()}>
              {words.importAsDraft()}
            </Button>
          </Box>
        )}
        <Box mt="10px" textStyle="note" color="inkMuted">
          {words.previewOnlyNothingHasBeen()}
        </Box>
      </Box>
    </Dialog>
  );
}

function Sketch({ model }: { readonly model: NonNullable<ModelPreview['model']> }) {
  return (
    <Box display="flex" gap="20px" alignItems="center">
      <FaceDrawing model={model} face={model.faces[0] as Face} maxWidth={220} maxHeight={200} />
      <Box>
        {words.version2({ kind: kindNames[model.kind], version: model.version })}
        <Box color="inkMuted">
          {words.stepPartJointOnFace({
            operations: model.operations.length,
            parts: model.parts.length,
            joints: model.joints.length,
            faces: model.faces.length,
          })}
        </Box>
      </Box>
    </Box>
  );
}
