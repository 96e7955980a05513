'use client';
import { Box, chakra } from '@chakra-ui/react';
import dynamic from 'next/dynamic';
import { useMemo, useState } from 'react';
import { authorOrder } from '@/core/procedure/authorOrder';
import type { Face } from '@/core/procedure/faces';
import type { Model } from '@/core/procedure/model';
import type { Operation } from '@/core/procedure/operations';
import { walk } from '@/core/procedure/walk';
import { ListRow } from '@/ui/base/ListRow';
import { ScrollBox } from '@/ui/base/ScrollBox';
import { FaceDrawing } from '@/ui/drawing/FaceDrawing';
import { tiesOf } from '@/ui/drawing/ties';
import { KeyButton } from '@/ui/keys/KeyButton';
import { useChosen } from '@/ui/keys/useChosen';
import * as words from '@/words/catalogue/models';

// In the page that the server sends, and brought to life after its list.
const FaceLegend = dynamic(() => import('@/ui/drawing/FaceLegend').then((module) => module.FaceLegend));
const OperationFacts = dynamic(() => import('./OperationFacts').then((module) => module.OperationFacts));
const StepWork = dynamic(() => import('@/ui/drawing/StepWork').then((module) => module.StepWork));

const Slider = chakra('input', { base: { w: '100%', accentColor: 'action', minH: '32px' } });
const size = { width: 500, height: 370 };

/** The teardown along the author's order: what is out, what is open and what comes next, drawn and listed together. */
export function OrderTab({ model }: { readonly model: Model }) {
  const [revision, setRevision] = useState(model.revisions[0]?.id ?? null);
  const order = useMemo(
    () => authorOrder(model, { revision, configuration: model.configurations[0]?.id ?? null, findings: [] }),
    [model, revision],
  );
  const { chosen, choose } = useChosen(order.map(({ id }) => id));
  const at = Math.max(
    0,
    order.findIndex(({ id }) => id === chosen),
  );
  const operation = order[at] as Operation;
  const before = useMemo(() => walk(model, order.slice(0, at)), [model, order, at]);
  const [faceShift, setFaceShift] = useState(0);
  const own = model.faces.findIndex(({ id }) => id === operation.face);
  const face = model.faces[(own + faceShift) % model.faces.length] as Face;
  const isOwn = face.id === operation.face;
  const goTo = (id: string) => {
    choose(id);
    setFaceShift(0);
  };
  return (
    <Box
      display="grid"
      gridTemplateColumns={{ base: 'minmax(0, 1fr)', lg: '270px minmax(0, 1fr) 300px' }}
      borderTopWidth="1px"
      borderColor="rule"
    >
      <Box
        as="nav"
        aria-label={words.steps2()}
        borderEndWidth="1px"
        borderColor="rule"
        overflowY="auto"
        maxH="calc(100vh - 190px)"
      >
        {order.map(({ id, title }, place) => (
          <ListRow
            key={id}
            isChosen={id === chosen}
            state={id === chosen ? 'now' : place < at ? 'faint' : 'plain'}
            minH="36px"
            onClick={() => goTo(id)}
          >
            <Box as="span" textStyle="caption" minW="18px">
              {place + 1}
            </Box>
            {title}
          </ListRow>
        ))}
      </Box>
      <Box p="14px 22px" minW="0">
        <Box as="label" display="block" mb="10px">
          <Box as="span" textStyle="note" color="inkMuted">
            {words.donePartsOutJointsOpen({
              value: at,
              order: order.length,
              outParts: before.outParts.size,
              openJoints: before.openJoints.size,
            })}
          </Box>
          <Slider
            type="range"
            min={0}
            max={order.length - 1}
            value={at}
            aria-label={words.teardown2()}
            onChange={(event) => goTo(order[Number(event.currentTarget.value)]?.id ?? operation.id)}
          />
        </Box>
        <FaceDrawing
          model={model}
          face={face}
          joints={isOwn ? jointsOpenedBy(model, operation) : []}
          openJoints={before.openJoints}
          work={(drawn) => (
            <StepWork
              drawn={drawn}
              hands={isOwn ? operation : undefined}
              ties={isOwn && operation?.limit ? tiesOf(model, face.id, [operation.limit]) : undefined}
            />
          )}
          wanted={operation.frees}
          outParts={[...before.outParts]}
          maxWidth={size.width}
          maxHeight={size.height}
        />
        <FaceLegend
          face={face}
          zones={{ keepOut: face.keepOut, protectedZones: face.protectedZones ?? [] }}
          hands={isOwn ? operation : undefined}
          scale={Math.min(size.width / face.widthMm, size.height / face.heightMm)}
        />
        <Box mt="12px" display="flex" gap="10px">
          <KeyButton
            keyName="f"
            label={words.nextFace()}
            size="small"
            onPress={() => setFaceShift((shift) => shift + 1)}
          />
          {model.revisions.length > 1 && (
            <KeyButton
              keyName="r"
              label={words.revision({ revision, tell: model.revisions.find(({ id }) => id === revision)?.tell })}
              size="small"
              onPress={() => setRevision(nextOf(model.revisions, revision))}
            />
          )}
        </Box>
      </Box>
      <ScrollBox
        label={words.thisStep()}
        p="14px 18px"
        bg="sheet"
        borderStartWidth="1px"
        borderColor="rule"
        maxH="calc(100vh - 190px)"
      >
        <OperationFacts model={model} operation={operation} />
      </ScrollBox>
    </Box>
  );
}

const jointsOpenedBy = (model: Model, { opens, opensIfShut }: Operation) =>
  [...opens, ...(opensIfShut ?? [])].flatMap((id) => model.joints.find((joint) => joint.id === id) ?? []);

function nextOf(list: readonly { readonly id: string }[], id: string | null): string {
  return list[(list.findIndex((entry) => entry.id === id) + 1) % list.length]?.id ?? '';
}
