import type { Area, Face } from '@/core/procedure/faces';
import type { Model } from '@/core/procedure/model';
import type { ModelPart } from '@/core/procedure/parts';
import type { Finding, PartCategory } from '@/core/procedure/vocabulary';
import type { Found, Mark } from './mark';
import { findingRules } from './rules';

/** One thing that was found and concerns a part; how deep, where that is known. */
export interface Hit {
  readonly finding: Finding;
  readonly depthMm: number;
}

/**
 * What of all that was found on a unit concerns one of its parts.
 *
 * A finding that bites under its mark concerns the parts drawn there. Where nothing is drawn it is the housing that was
 * hit, not whatever of that kind lies on the other side.
 */
export function hitsOf(model: Model, part: ModelPart, { marks, found = [] }: Found): readonly Hit[] {
  return [
    ...marks.flatMap((mark): Hit[] =>
      findingRules[mark.kind].reach === 'unit' || partsUnder(model, mark).includes(part.id)
        ? [{ finding: mark.kind, depthMm: mark.depthMm ?? 1 }]
        : [],
    ),
    ...found.flatMap((finding): Hit[] => {
      const { unmarkedHits } = findingRules[finding];
      return unmarkedHits === 'all' || unmarkedHits.includes(part.category) ? [{ finding, depthMm: 1 }] : [];
    }),
  ];
}

/** Parts that a mark hits, of the categories that its finding harms. */
function partsUnder(model: Model, mark: Mark): readonly string[] {
  const { caps } = findingRules[mark.kind];
  const isHarmed = (category: PartCategory) => caps[category] !== undefined;
  const face = model.faces.find(({ id }) => id === mark.face);
  const drawn = (face?.outlines ?? []).filter(({ part }) =>
    model.parts.some(({ id, category }) => id === part && isHarmed(category)),
  );
  const under = face ? drawn.filter((outline) => doOverlap(outline, fieldOf(face, mark.field))) : [];
  const hit = (under.length > 0 ? under : drawn).flatMap(({ part }) => part ?? []);
  return hit.length > 0 ? hit : housingsNotDrawn(model);
}

/** Housings that stand on no drawing are what is seen where nothing else is; when all are drawn, any of them. */
function housingsNotDrawn(model: Model): readonly string[] {
  const housings = model.parts.filter(({ category, slot }) => category === 'housing' && slot === 'cosmetic');
  const isDrawn = (id: string) => model.faces.some(({ outlines }) => outlines.some(({ part }) => part === id));
  const hidden = housings.filter(({ id }) => !isDrawn(id));
  return (hidden.length > 0 ? hidden : housings).map(({ id }) => id);
}

type Box = Pick<Area, 'xMm' | 'yMm' | 'widthMm' | 'heightMm'>;

/** One of a face's nine fields, numbered as on a keypad: 7 8 9 on top. */
function fieldOf({ widthMm, heightMm }: Pick<Face, 'widthMm' | 'heightMm'>, field: number): Box {
  const [column, rowFromBelow] = [(field - 1) % 3, Math.floor((field - 1) / 3)];
  return {
    xMm: (column * widthMm) / 3,
    yMm: ((2 - rowFromBelow) * heightMm) / 3,
    widthMm: widthMm / 3,
    heightMm: heightMm / 3,
  };
}

const doOverlap = (a: Box, b: Box): boolean =>
  a.xMm < b.xMm + b.widthMm && b.xMm < a.xMm + a.widthMm && a.yMm < b.yMm + b.heightMm && b.yMm < a.yMm + a.heightMm;
