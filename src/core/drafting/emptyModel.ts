import { modelFormat, type Model } from '@/core/procedure/model';
import type { DeviceKind } from '@/core/procedure/vocabulary';
import { idFrom } from './words';

/** How big a device of a kind usually is: what is drawn until somebody measures it. */
export const usualSizeMm: Readonly<Record<DeviceKind, readonly [number, number]>> = {
  phone: [72, 148],
  tablet: [170, 245],
  laptop: [305, 210],
  handheld: [60, 110],
};

/** A draft to begin with: who made it and what it is called, one face, nothing else. */
export function emptyModel({ maker, name, kind }: Pick<Model, 'maker' | 'name' | 'kind'>): Model {
  const [widthMm, heightMm] = usualSizeMm[kind];
  return {
    format: modelFormat,
    id: idFrom(`${maker} ${name}`, new Set()),
    version: 1,
    maker,
    name,
    kind,
    letters: name
      .toLowerCase()
      .replace(/[^a-z]/g, '')
      .slice(0, 2)
      .padEnd(2, 'x'),
    aliases: [],
    revisions: [{ id: 'a', tell: 'the only one seen' }],
    configurations: [{ id: 'standard', name: 'standard', absentParts: [] }],
    variants: [{ id: 'standard', name: 'standard', priceCents: 0 }],
    priceCents: { A: 0, B: 0, C: 0, D: 0 },
    tests: ['starts', 'charges'],
    proofOfOff: '',
    faces: [{ id: 'back', name: 'Back up', widthMm, heightMm, cornerMm: 6, outlines: [], keepOut: [] }],
    parts: [],
    joints: [],
    operations: [],
  };
}
