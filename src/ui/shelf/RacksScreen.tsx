'use client';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import type { Refusal } from '@/core/shared/outcome';
import { binCode } from '@/core/shelf/binCode';
import type { Rack } from '@/core/shelf/racks';
import type { RacksView } from '@/services/shelf/readRacks';
import { Button } from '@/ui/base/Button';
import { MoreRows, useGrowing } from '@/ui/base/growing';
import { Headline } from '@/ui/base/Headline';
import { RefusalAlert } from '@/ui/base/RefusalAlert';
import { Section } from '@/ui/base/Section';
import { LeadPages } from '@/ui/line/LeadPages';
import { send } from '@/ui/server/send';
import * as words from '@/words/catalogue/racks';
import { RackFields } from './RackFields';
import { RackPicture } from './RackPicture';

/** What a new rack begins with. */
const usual = { rows: 3, boxes: 5, room: 12, category: null, isInUse: true } as const;

/** A picture of a rack is large: few are drawn at a time. */
const rowsOfRacks = { atFirst: 8, step: 8 };

/** Where parts lie: how full every box is, how long the room lasts, and the racks to be changed or added. */
export function RacksScreen({ view }: { readonly view: RacksView }) {
  const router = useRouter();
  const [refused, setRefused] = useState<{ readonly code: string; readonly refusal: Refusal } | null>(null);
  const [isBusy, start] = useTransition();
  const save = ({ code, rows, boxes, room, category, isInUse }: Rack) =>
    start(async () => {
      const outcome = await send<Rack>('PUT', `/api/racks/${code}`, { rows, boxes, room, category, isInUse });
      setRefused(outcome.ok ? null : { code, refusal: outcome.refusal });
      router.refresh();
    });
  const refusalOf = (code: string) => <RefusalAlert refusal={refused?.code === code ? refused.refusal : null} />;
  const { shown, ...more } = useGrowing(view.racks, undefined, rowsOfRacks);
  // Where there are many racks it stands before them, within reach.
  const newRack = (
    <Section title={words.newRack({ code: view.next })} mt="26px">
      <RackFields
        key={view.next}
        rack={{ code: view.next, ...usual }}
        save={words.addRack({ code: view.next })}
        isNew
        isBusy={isBusy}
        onSave={save}
      />
      {refusalOf(view.next)}
    </Section>
  );
  return (
    <Box p="20px 28px" maxW="1180px">
      <LeadPages />
      <Headline lead={sayPace(view)}>{words.roomFor({ left: view.left })}</Headline>
      {more.left > 0 && newRack}
      {shown.map((rack, at) => (
        <Section
          key={rack.code}
          title={words.rack({ code: rack.code })}
          note={
            rack.isInUse
              ? words.inRack({ count: rack.count, boxes: rack.bins.length, left: rack.left })
              : words.outOfUse({ count: rack.count })
          }
          mt={at > 0 || more.left > 0 ? '26px' : '0'}
        >
          <Box display="flex" flexWrap="wrap" gap="0 28px" alignItems="center">
            <Box flex="0 1 auto" w={{ base: '100%', lg: 'auto' }} minW={{ lg: '396px' }} maxW="100%" pt="12px">
              <RackPicture rack={rack} />
            </Box>
            <Box>
              <RackFields
                // Another size from elsewhere begins new fields.
                key={`${rack.rows} ${rack.boxes} ${rack.room} ${rack.category}`}
                {...{ rack, isBusy }}
                save={words.save()}
                saveName={words.saveOf({ code: rack.code })}
                onSave={save}
              >
                <Button
                  disabled={isBusy}
                  aria-label={words.useOf({ isInUse: rack.isInUse ? 'yes' : 'no', code: rack.code })}
                  onClick={() => save({ ...rack, isInUse: !rack.isInUse })}
                >
                  {words.use({ isInUse: rack.isInUse ? 'yes' : 'no' })}
                </Button>
                <Button
                  aria-label={words.labelsOf({ code: rack.code })}
                  onClick={() => window.open(`/api/labels/${binCode(rack.code)}.pdf`)}
                >
                  {words.labels()}
                </Button>
              </RackFields>
            </Box>
          </Box>
          {refusalOf(rack.code)}
        </Section>
      ))}
      <MoreRows {...more} />
      {more.left === 0 && newRack}
    </Box>
  );
}
/** How long the room will last, as far as it can be said. */
function sayPace({ left, pace: { stored, taken, days }, fullInDays: full, racks }: RacksView): string {
  if (left === 0) return words.addRackNow();
  if (racks.every(({ count }) => count === 0)) return words.firstLead();
  if (full === null) return stored > taken ? words.tooEarly() : words.notFuller({ stored, taken, days });
  const said = { stored, taken, days };
  return full < 14 ? words.fullInDays({ ...said, full }) : words.fullInWeeks({ ...said, weeks: Math.floor(full / 7) });
}
