import { laptop, phone } from '../../../tests/support/models';
import { deviceTests, partCategories } from '@/core/procedure/vocabulary';
import { fitsSlot, neededParts, slotNeeds, suspects } from './slots';

const unit = { configuration: 'standard', tests: {}, marks: [] } as const;
const wanted = (given: object, model = phone) =>
  slotNeeds(model, { ...unit, ...given })
    .filter(({ isNeeded }) => isNeeded)
    .map(({ part, because }) => `${part.id}: ${because ? Object.values(because)[1] : ''}`);

describe('slotNeeds', () => {
  test.each([
    [{}, []],
    [{ tests: { picture: 'fault' } }, ['display: picture']],
    [{ tests: { charges: 'fault' } }, ['battery: charges', 'port-board: charges']],
    [{ tests: { starts: 'not-tested', sound: 'sound' } }, []],
    [{ marks: [{ kind: 'crack', face: 'front', field: 5 }] }, ['display: crack']],
    [{ marks: [{ kind: 'swelling', face: 'back', field: 5 }] }, ['battery: swelling']],
    [{ tests: { 'account-lock': 'fault' } }, []],
  ])('%j asks for %j', (given, parts) => {
    expect(wanted(given)).toEqual(parts);
  });

  test('a part that works only together with another goes out with it, whichever of the two is bad', () => {
    const parts = phone.parts.map((part) => (part.id === 'board' ? { ...part, boundTo: 'display' } : part));
    const bound = { ...phone, parts };
    const [board, display] = ['board', 'display'].map((id) => parts.find((part) => part.id === id)?.name);
    expect(wanted({ tests: { picture: 'fault' } }, bound)).toEqual(['display: picture', `board: ${display}`]);
    expect(wanted({ tests: { starts: 'fault' } }, bound)).toEqual([`display: ${board}`, 'board: starts']);
    expect(wanted({ tests: { sound: 'fault' } }, bound)).toEqual(['speaker: sound']);
  });

  test('a dent lowers the look of the housing and asks for nothing', () => {
    const marks = [{ kind: 'dent', face: 'back', field: 1 }] as const;
    expect(wanted({ marks })).toEqual([]);
    expect(slotNeeds(phone, { ...unit, marks }).find(({ part }) => part.id === 'back-cover')?.ownGrade).toBe('C');
  });

  test('a configuration without a part has no slot for it', () => {
    const slots = (configuration: string) => slotNeeds(laptop, { ...unit, configuration }).map(({ part }) => part.id);
    expect(slots('drive')).toContain('drive');
    expect(slots('no-drive')).not.toContain('drive');
  });
});

describe('what a test points at, and what speaks against a part', () => {
  test('read from the parts’ side: which tests each answers for', () => {
    const answersFor = Object.fromEntries(
      partCategories.flatMap((category) => {
        const tests = deviceTests.filter((test) => suspects[test].includes(category));
        return tests.length > 0 ? [[category, tests]] : [];
      }),
    );
    expect(answersFor).toEqual({
      board: ['starts', 'radios', 'gives-charge', 'service'],
      battery: ['charges'],
      port: ['charges', 'ports', 'gives-charge'],
      display: ['picture', 'touch'],
      keys: ['keys'],
      speaker: ['sound', 'microphone'],
      camera: ['cameras', 'front-camera'],
      motor: ['vibration'],
      sensor: ['sensors', 'scan'],
    });
    expect([...suspects['account-lock'], ...suspects['firmware-lock']]).toEqual([]);
  });

  test('a part that failed is scrap in its own unit; one that was spoilt says by what; a sound one says nothing', () => {
    const need = (given: object, id: string) =>
      slotNeeds(phone, { ...unit, ...given }).find(({ part }) => part.id === id);
    expect(need({ tests: { sound: 'fault' } }, 'speaker')).toMatchObject({
      ownGrade: 'X',
      isNeeded: true,
      because: { is: 'test-failed', test: 'sound' },
    });
    const dented = { marks: [{ kind: 'dent', face: 'back', field: 1 }] };
    expect(need(dented, 'back-cover')).toMatchObject({
      ownGrade: 'C',
      isNeeded: false,
      because: { is: 'found', finding: 'dent' },
    });
    expect(need({}, 'speaker')).toMatchObject({ ownGrade: 'B', isNeeded: false, because: null });
    // Swelling holds a display to B, which it would be without it: nothing speaks against it.
    const swollen = { marks: [{ kind: 'swelling', face: 'back', field: 5 }] } as const;
    expect(need(swollen, 'display')).toMatchObject({ ownGrade: 'B', because: null });
    expect(neededParts(phone, { ...unit, ...swollen }).map(({ id }) => id)).toEqual(['battery']);
    expect(neededParts(phone, unit)).toEqual([]);
  });
});

describe('fitsSlot', () => {
  test('the same class, graded, and no scrap', () => {
    const part = { interchange: 'lantern-speaker', grade: 'C' } as const;
    expect(fitsSlot(phone, 'speaker', part)).toBe(true);
    expect(fitsSlot(phone, 'display', part)).toBe(false);
    expect(fitsSlot(phone, 'speaker', { ...part, grade: null })).toBe(false);
    expect(fitsSlot(phone, 'speaker', { ...part, grade: 'X' })).toBe(false);
    expect(() => fitsSlot(phone, 'wheel', part)).toThrow(RangeError);
  });
});
