'use client';
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
import { sayCount } from '@/ui/words/amounts';
import { sayRefusal } from '@/ui/words/sentences';
import { DifferenceList } from './DifferenceList';
import { ProblemList } from './ProblemList';
import { send } from './requests';

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
  const { model, problems, newest, differences } = preview;
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
    <Dialog title={model ? `${model.maker} ${model.name}, as it would be` : 'This cannot be taken'} onClose={onClose}>
      <Box minW="560px">
        {model && <Sketch model={model} />}
        {problems.length > 0 ? (
          <Section title={sayCount(problems.length, 'thing to mend', 'things to mend')} mt="14px">
            <ScrollBox label="What is to mend" maxH="240px">
              <ProblemList problems={problems} />
            </ScrollBox>
          </Section>
        ) : (
          <Box mt="12px" color="sound" fontWeight="600">
            The checks found nothing.
          </Box>
        )}
        {newest !== null && (
          <Section title={`Against version ${newest}`} mt="14px">
            <ScrollBox label="Differences" pt="6px" maxH="160px">
              <DifferenceList differences={differences} />
            </ScrollBox>
          </Section>
        )}
        {isOld && (
          <Caution tone="waiting" what={`Version ${model.version} is not above ${newest}.`}>
            A published version is never changed: take it as a draft, it gets the next number.
          </Caution>
        )}
        {refusal && <Caution what="Not taken.">{sayRefusal(refusal)}</Caution>}
        {model && (
          <Box display="flex" gap="10px" mt="18px">
            {preview.isPublishable && !isOld && (
              <Button look="action" autoFocus onClick={() => void publish()}>
                Publish version {model.version}
              </Button>
            )}
            <Button look="outline" onClick={() => void draft()}>
              Take it as a draft
            </Button>
          </Box>
        )}
        <Box mt="10px" textStyle="note" color="inkMuted">
          Nothing is written until you say so; the library is untouched.
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
        {model.kind}, version {model.version}
        <Box color="inkMuted">
          {sayCount(model.operations.length, 'operation')}, {sayCount(model.parts.length, 'part')},{' '}
          {sayCount(model.joints.length, 'joint')} on {sayCount(model.faces.length, 'face')}
        </Box>
      </Box>
    </Box>
  );
}
