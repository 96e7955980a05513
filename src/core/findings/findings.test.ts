import fc from 'fast-check';
import { handset, laptop, phone, shippedModels } from '../../../tests/support/models';
import { startingHouseRules } from '@/core/shared/houseRules';
import { saleGrades } from '@/core/shared/grades';
import { findings, partCategories } from '@/core/procedure/vocabulary';
import { getModelPart } from '@/core/procedure/model';
import { hitsOf } from './hits';
import { kindsFound, withFindings } from './mark';
import { cappedMix, capIn, capOf, scrapBy } from './partHarm';
import { findingRules } from './rules';
import { forbiddenBy, settledBy, standingFindings } from './standing';

const mark = (kind: (typeof findings)[number], face: string, field = 5, depthMm?: number) => ({
  kind,
  face,
  field,
  ...(depthMm !== undefined && { depthMm }),
});
const capsOf = (model: typeof phone, marks: ReturnType<typeof mark>[]) =>
  Object.fromEntries(
    model.parts.flatMap((part) => {
      const cap = capIn(model, part, { marks });
      return cap ? [[part.id, cap.grade]] : [];
    }),
  );

describe('where a finding does harm', () => {
  test('a crack hits what is drawn under it: glass in front, the cover at the back', () => {
    expect(capsOf(phone, [mark('crack', 'front')])).toEqual({ display: 'X' });
    expect(capsOf(phone, [mark('crack', 'back')])).toEqual({ 'back-cover': 'D' });
  });

  test('a field over nothing drawn hits the nearest of its kind on that face, never the other side', () => {
    // Field 7 is the camera’s corner: the only cover on that face is the back cover.
    expect(capsOf(phone, [mark('crack', 'back', 7)])).toEqual({ 'back-cover': 'D' });
    // The laptop’s base shows its door; its deck is on no drawing and the display not on the base.
    expect(capsOf(laptop, [mark('crack', 'base')])).not.toHaveProperty('display');
  });

  test('liquid and swelling are in the whole unit, wherever they were seen', () => {
    const wet = capsOf(phone, [mark('liquid', 'back', 1)]);
    expect([wet.board, wet.display, wet.speaker, wet['back-cover']]).toEqual(['C', 'C', 'C', undefined]);
    const swollen = capsOf(phone, [mark('swelling', 'front', 9)]);
    expect([swollen.battery, swollen.display, swollen['back-cover'], swollen.board]).toEqual([
      'X',
      'B',
      'B',
      undefined,
    ]);
    expect(scrapBy(phone, { marks: [mark('swelling', 'front')] })).toEqual(['battery']);
  });

  test('what came to light without a mark hits what such a thing hits', () => {
    expect(scrapBy(handset, { marks: [], found: ['crack'] })).toEqual(['display']);
    expect(hitsOf(handset, getModelPart(handset, 'door'), { marks: [], found: ['crack'] })).toEqual([]);
    expect(hitsOf(handset, getModelPart(handset, 'door'), { marks: [], found: ['dent'] })).toHaveLength(1);
  });

  test('in every model a crack on a face without a display orders none', () => {
    for (const model of shippedModels)
      for (const face of model.faces) {
        const shows = face.outlines.some(({ part }) => part && getModelPart(model, part).category === 'display');
        for (let field = 1; field <= 9; field += 1) {
          const scrap = scrapBy(model, { marks: [mark('crack', face.id, field)] });
          if (!shows) expect([model.id, face.id, field, scrap]).toEqual([model.id, face.id, field, []]);
        }
        if (shows) expect(scrapBy(model, { marks: [mark('crack', face.id, 5)] }).length).toBeGreaterThan(0);
      }
  });
});

describe('what a finding does', () => {
  test('a part is held to the same grade in its unit and out of it', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...shippedModels),
        fc.constantFrom(...findings),
        fc.nat(5),
        fc.integer({ min: 1, max: 9 }),
        fc.integer({ min: 1, max: 5 }),
        (model, kind, at, field, depthMm) => {
          const found = { marks: [mark(kind, model.faces[at % model.faces.length]?.id ?? '', field, depthMm)] };
          for (const part of model.parts)
            expect(capOf(part.category, hitsOf(model, part, found))).toEqual(capIn(model, part, found));
        },
      ),
      { seed: 2026 },
    );
  });

  test('a dent of three millimetres is deep', () => {
    const at = (depthMm: number) => capOf('housing', [{ finding: 'dent', depthMm }])?.grade;
    expect([at(1), at(2), at(3), at(9)]).toEqual(['C', 'C', 'D', 'D']);
  });

  test('of several the worst cap and the least odds count', () => {
    expect(
      capOf('display', [
        { finding: 'swelling', depthMm: 1 },
        { finding: 'crack', depthMm: 1 },
      ]),
    ).toEqual({
      finding: 'crack',
      grade: 'X',
    });
  });

  test('odds are shares, caps only lower, and every check has an id of its own', () => {
    const ids = findings.flatMap((finding) => findingRules[finding].gate?.id ?? []);
    expect(new Set(ids).size).toBe(ids.length);
    for (const finding of findings)
      for (const category of partCategories) {
        const odds = findingRules[finding].odds[category] ?? 1;
        expect(odds > 0 && odds <= 1).toBe(true);
      }
  });

  test('capped shares still sum to one, and none is better than the cap', () => {
    for (const cap of saleGrades) {
      const mix = cappedMix(startingHouseRules.gradeMix, cap);
      expect(saleGrades.reduce((sum, grade) => sum + mix[grade], 0)).toBeCloseTo(1, 12);
      for (const grade of saleGrades) if (grade < cap) expect(mix[grade]).toBe(0);
    }
    expect(cappedMix(startingHouseRules.gradeMix, undefined)).toBe(startingHouseRules.gradeMix);
  });
});

describe('what still holds', () => {
  const swollen = { marks: [mark('swelling', 'back')], found: [], fitted: {} } as const;

  test('a swollen unit is neither wiped, proven, sold as it is nor sent, until its cell is another', () => {
    for (const deed of ['sell-as-is', 'wipe', 'prove', 'send'] as const) {
      expect(forbiddenBy(phone, swollen, deed)).toBe('swelling');
      expect(forbiddenBy(null, swollen, deed)).toBe('swelling');
      expect(forbiddenBy(phone, { ...swollen, fitted: { battery: 'p' } }, deed)).toBeUndefined();
      expect(forbiddenBy(phone, { ...swollen, fitted: { display: 'p' } }, deed)).toBe('swelling');
    }
  });

  test('every cell of a unit with two must be another', () => {
    const two = shippedModels.find(
      ({ parts }) => parts.filter(({ category, slot }) => category === 'battery' && slot).length === 2,
    );
    if (!two) throw new Error('a shipped model has two packs');
    const [one, other] = two.parts.filter(({ category, slot }) => category === 'battery' && slot).map(({ id }) => id);
    const found = { marks: [], found: ['swelling'] as const };
    expect(standingFindings(two, { ...found, fitted: { [one as string]: 'p' } })).toEqual(['swelling']);
    expect(standingFindings(two, { ...found, fitted: { [one as string]: 'p', [other as string]: 'q' } })).toEqual([]);
  });

  test('liquid is never over, a crack is when the glass is another', () => {
    const about = { marks: [mark('liquid', 'back'), mark('crack', 'front')], fitted: { display: 'p', board: 'q' } };
    expect(standingFindings(phone, about)).toEqual(['liquid']);
    expect(standingFindings(phone, { ...about, fitted: {} })).toEqual(['liquid', 'crack']);
  });

  test('made safe settles the swelling and nothing else', () => {
    const unit = { marks: [mark('swelling', 'back'), mark('dent', 'back')], found: ['swelling', 'liquid'] as const };
    expect(settledBy(unit, 'made-safe')).toEqual({ marks: [mark('dent', 'back')], found: ['liquid'] });
    expect(settledBy(unit, 'owner-agrees')).toEqual({ marks: unit.marks, found: unit.found });
  });

  test('kinds are said once; what has a mark is not found a second time', () => {
    const marks = [mark('dent', 'back'), mark('dent', 'front')];
    expect(kindsFound({ marks, found: ['liquid'] })).toEqual(['dent', 'liquid']);
    expect(withFindings({ marks }, ['dent', 'liquid'])).toEqual({ marks, found: ['liquid'] });
  });
});
