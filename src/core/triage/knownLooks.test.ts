import { knownLooks, unknownMade } from './knownLooks';

describe('knownLooks', () => {
  test('a shop that has decided about nothing expects what any shop finds', () => {
    const { made, marks } = knownLooks({ units: [], tests: [], marks: [] });
    expect(made).toEqual({});
    expect(unknownMade.share).toBe(0.9);
    expect(marks.crack).toEqual({ share: 0.1, weight: 10 });
    expect(marks.swelling).toBeUndefined();
  });

  test('counts join what was expected before; a test counts on the models that have it', () => {
    const { made, marks } = knownLooks({
      units: [
        { modelId: 'phone', units: 40 },
        { modelId: 'laptop', units: 50 },
      ],
      tests: [
        { modelId: 'phone', test: 'picture', units: 20 },
        { modelId: 'phone', test: 'keys', units: 40 },
        { modelId: 'laptop', test: 'keys', units: 41 },
      ],
      marks: [
        { finding: 'crack', units: 29 },
        { finding: 'swelling', units: 2 },
      ],
    });
    // 20 of 40 phones, with nine of ten before; the laptop has no picture test.
    expect(made.picture).toEqual({ share: 29 / 50, weight: 50 });
    expect(made.keys).toEqual({ share: 90 / 100, weight: 100 });
    expect(marks.crack).toEqual({ share: 30 / 100, weight: 100 });
    expect(marks.swelling).toEqual({ share: 2 / 100, weight: 100 });
    expect(marks.dent?.share).toBe(0.01);
  });
});
