import { knownLooks, unknownMade, type LookGround } from './knownLooks';

describe('knownLooks', () => {
  test('a shop that has decided about nothing expects what any shop finds', () => {
    const { made, marks } = knownLooks({ units: [], tests: [], marks: [] }, Infinity);
    expect(made).toEqual({});
    expect(unknownMade.share).toBe(0.9);
    expect(marks.crack).toEqual({ share: 0.1, weight: 10 });
    expect(marks.swelling).toBeUndefined();
  });

  test('counts join what was expected before; a test counts on the models that have it', () => {
    const ground: LookGround = {
      units: [
        { modelId: 'phone', parcelId: 'a', units: 30 },
        { modelId: 'phone', parcelId: 'b', units: 10 },
        { modelId: 'laptop', parcelId: 'b', units: 50 },
      ],
      tests: [
        { modelId: 'phone', test: 'picture', units: 20 },
        { modelId: 'phone', test: 'keys', units: 40 },
        { modelId: 'laptop', test: 'keys', units: 41 },
      ],
      marks: [
        { finding: 'crack', parcelId: 'a', units: 20 },
        { finding: 'crack', parcelId: 'b', units: 9 },
        { finding: 'swelling', parcelId: 'b', units: 2 },
      ],
    };
    const { made, marks } = knownLooks(ground, Infinity);
    // 20 of 40 phones, with nine of ten before; the laptop has no picture test.
    expect(made.picture).toEqual({ share: 29 / 50, weight: 50 });
    expect(made.keys).toEqual({ share: 90 / 100, weight: 100 });
    expect(marks.crack).toEqual({ share: 30 / 100, weight: 100 });
    expect(marks.swelling).toEqual({ share: 2 / 100, weight: 100 });
    expect(marks.dent?.share).toBe(0.01);
    // Where a parcel is as good as one look at its sender, thirty units say what fewer than two would.
    expect(knownLooks(ground, 1).marks.crack?.weight).toBeCloseTo(10 + 30 / 15.5 + 60 / 30.5, 9);
    expect(knownLooks(ground, 1).made).toEqual(made);
  });
});
