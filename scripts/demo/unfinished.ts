import type { Knex } from 'knex';
import type { LogEntry, Verb } from '@/core/opening/openingLog';
import { openDraft } from '@/services/drafts/openDraft';
import { logStep } from '@/services/openings/logStep';
import { startOpening } from '@/services/openings/startOpening';
import type { Chance } from '@/core/shared/chance';

/** What is being written in the demo: known by these ids, so that pictures and tests find them. */
export const demoDraftId = '5f0c1d52-7a9e-4b1c-9c53-0b6d6a3f1e01';
export const demoOpeningId = '5f0c1d52-7a9e-4b1c-9c53-0b6d6a3f1e02';

type Step = readonly [verb: Verb, thing: string, seconds: number, given?: Partial<LogEntry>];

/** A little keypad handset from the school boat that nobody had seen before. */
const out: readonly Step[] = [
  ['slide', 'battery door', 8, { face: 'Back up' }],
  ['take', 'battery', 6, { face: 'Door off' }],
  [
    'unscrew',
    'front shell',
    62,
    {
      face: 'Door off',
      tool: 'Hexalobular driver T5',
      screws: [
        { drive: 'T5', lengthMm: 6, count: 4 },
        { drive: 'T5', lengthMm: 3, count: 2 },
      ],
    },
  ],
  ['unclip', 'front shell', 48, { face: 'Keys up', tool: 'Plastic pick', trouble: 'one clip broke at the lower end' }],
  ['take', 'front shell', 9, { face: 'Keys up' }],
  ['take', 'keypad', 12, { face: 'Front off' }],
  ['unlock', 'display', 21, { face: 'Front off', tool: 'Plastic pick' }],
  ['take', 'display', 15, { face: 'Front off' }],
  [
    'unscrew',
    'board',
    34,
    { face: 'Front off', tool: 'Cross-recess driver PH00', screws: [{ drive: 'PH00', lengthMm: 2.5, count: 3 }] },
  ],
  ['take', 'board', 18, { face: 'Front off' }],
];

/** Opens a draft of a published model, and a first opening that has been logged out and half the way back. */
export async function beginUnfinished(db: Knex, chance: Chance, now: Date): Promise<void> {
  const at = new Date(now.getTime() - 3 * 3600_000);
  await openDraft(db, { from: 'model', modelId: 'fennick-skimmer' }, { id: demoDraftId, by: 'Mirel A.', at });
  const head = { maker: 'Brinewell', name: 'Wherry', kind: 'handheld', proofOfOff: 'Battery out: it is off.' } as const;
  await startOpening(db, demoOpeningId, head, 'Imke R.', at);
  const back = [...out].reverse().slice(0, 4);
  const entries: LogEntry[] = [
    ...out.map((step) => entryOf('out', step)),
    ...back.map((step) => entryOf('back', step)),
  ];
  for (const [index, entry] of entries.entries()) {
    const outcome = await logStep(db, demoOpeningId, { does: 'log', log: 1, place: index + 1, entry }, at);
    if (!outcome.ok) throw new Error(`demo: ${JSON.stringify(outcome.refusal)}`);
  }

  function entryOf(leg: LogEntry['leg'], [verb, thing, seconds, given]: Step): LogEntry {
    const plain = { tool: 'Hands', screws: [], face: 'Back up', posture: '', trouble: '' };
    return {
      ...plain,
      ...given,
      trouble: leg === 'out' ? (given?.trouble ?? '') : '',
      id: chance.uuid(),
      leg,
      verb,
      thing,
      seconds,
    };
  }
}
