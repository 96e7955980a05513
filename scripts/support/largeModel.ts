import type { Joint } from '@/core/procedure/joints';
import { modelFormat, type Model } from '@/core/procedure/model';
import type { Operation } from '@/core/procedure/operations';
import type { ModelPart } from '@/core/procedure/parts';

const minutes = { low: 0.5, likely: 1, high: 2 };

/**
 * A sound model of any size, for measuring: layers of parts on three faces, each behind the layer before it, two
 * revisions and one finding, three screws and a ribbon to every part.
 */
export function largeModel(operationCount: number, id = `large-${operationCount}`): Model {
  const faces = ['front', 'back', 'inside'];
  const indexes = Array.from({ length: operationCount }, (_, at) => at);
  const face = (at: number) => faces[Math.floor(at / 10) % 3] as string;
  const place = (at: number, shift: number) => ({ xMm: 5 + ((at * 7 + shift * 11) % 140), yMm: 5 + ((at * 13) % 190) });
  const parts: ModelPart[] = indexes.map((at) => ({
    id: `part-${at}`,
    name: `part ${at}`,
    aliases: [`piece ${at}`],
    category: at === 0 ? 'battery' : at % 17 === 0 ? 'board' : 'speaker',
    interchange: `${id}-${at}`,
    ...(at % 3 === 0 && { slot: 'functional', valueCents: { A: 400, B: 300, C: 200, D: 100 } }),
  }));
  const joints: Joint[] = indexes.flatMap((at): Joint[] => [
    ...[0, 1, 2].map((screw): Joint => ({
      id: `s-${at}-${screw}`,
      kind: 'screw',
      face: face(at),
      ...place(at, screw),
      holds: [`part-${at}`],
      drive: 'PH00',
      lengthMm: 3 + (at % 3) / 2,
      diameterMm: 1.4,
      depthMm: 5,
    })),
    {
      id: `r-${at}`,
      kind: 'ribbon',
      face: face(at),
      ...place(at, 3),
      holds: [`part-${at}`],
      lock: 'flip',
      power: at === 0,
    },
  ]);
  const operations: Operation[] = indexes.map((at) => ({
    id: `op-${at}`,
    title: `Take part ${at} out`,
    detail: 'Ribbon, three screws.',
    face: face(at),
    tool: at % 4 === 0 ? 'Plastic pick' : 'Cross-recess driver PH00',
    opens: [`r-${at}`, `s-${at}-0`, `s-${at}-1`, `s-${at}-2`],
    unlocks: [`r-${at}`],
    frees: [`part-${at}`],
    after: [
      ...(at > 0 ? [{ any: ['op-0'], reason: 'house' as const, because: 'Power off first, always.' }] : []),
      ...(at >= 8 ? [{ any: [`op-${at - 8}`], reason: 'physical' as const, because: 'It lies above.' }] : []),
      ...(at >= 9
        ? [{ any: [`op-${at - 9}`, `op-${at - 7}`], reason: 'protective' as const, because: 'From either side.' }]
        : []),
    ],
    ...(at % 23 === 22 && { slowWhile: [{ part: `part-${at - 1}`, factor: 1.2, because: 'It is in the way.' }] }),
    minutes,
    cautions: [],
    back: { title: `Put part ${at} in`, detail: '', tool: 'Hands', minutes, consumables: [] },
  }));
  return {
    format: modelFormat,
    id,
    version: 1,
    maker: 'Fennick',
    name: `Large ${operationCount}`,
    kind: 'tablet',
    letters: 'lg',
    aliases: [],
    revisions: [
      { id: 'a', tell: 'round port' },
      { id: 'b', tell: 'square port' },
    ],
    configurations: [{ id: 'standard', name: 'standard', absentParts: [] }],
    variants: [{ id: 'plain', name: 'plain', priceCents: 0 }],
    priceCents: { A: 4000, B: 3000, C: 2000, D: 1000 },
    tests: ['starts'],
    proofOfOff: 'It is off.',
    faces: faces.map((face) => ({
      id: face,
      name: face,
      widthMm: 150,
      heightMm: 200,
      cornerMm: 6,
      outlines: [],
      keepOut: [],
    })),
    parts,
    joints,
    operations: operations.map((operation, at) =>
      at % 31 === 30
        ? { ...operation, when: { revisions: ['a'] } }
        : at % 37 === 36
          ? { ...operation, minutesWhen: [{ findings: ['crack'], minutes }] }
          : operation,
    ),
  };
}
