import { findings, partCategories } from '@/core/procedure/vocabulary';
import { findingRules } from './rules';
import { standingFindings } from './standing';
import { handset, phone } from '../../../tests/support/models';

/** The table once more, read from the parts' side: a slip of the pen on one side stands against the other. */
describe('what stands in the table', () => {
  const columns = ['swelling', 'liquid', 'dent', 'crack'] as const;
  /** The grade a part is held to, and its odds in percent: swelling, liquid, dent, crack. */
  const byPart: Readonly<Record<string, string>> = {
    battery: 'X100 -100 -100 -100',
    board: '-100 C70 -100 -100',
    port: '-100 C75 -100 -100',
    speaker: '-100 C80 -100 -100',
    camera: '-100 C85 -100 -100',
    sensor: '-100 C85 -100 -100',
    keys: 'B95 C80 -100 -100',
    cable: '-100 C100 -100 -100',
    motor: '-100 C100 -100 -100',
    display: 'B90 C85 -95 X100',
    drive: '-100 C100 -100 -100',
    memory: '-100 C100 -100 -100',
    housing: 'B95 -100 C90 D100',
    cover: 'B100 -100 C100 D100',
  };

  test('grades and odds, part by part', () => {
    const read = Object.fromEntries(
      partCategories.flatMap((category) => {
        const cells = columns.map((finding) => {
          const { caps, odds } = findingRules[finding];
          return `${caps[category] ?? '-'}${Math.round(100 * (odds[category] ?? 1))}`;
        });
        return cells.some((cell) => cell !== '-100') ? [[category, cells.join(' ')]] : [];
      }),
    );
    expect(read).toEqual(byPart);
    expect(findingRules.dent.deep).toEqual({ fromMm: 3, caps: { housing: 'D', cover: 'D' } });
  });

  test('who stops work, who is kept apart, who is spoken of', () => {
    const those = (does: (finding: (typeof findings)[number]) => boolean) => findings.filter(does);
    const swelling = ['swelling'];
    expect(those((finding) => findingRules[finding].haltsSheet)).toEqual(swelling);
    expect(those((finding) => findingRules[finding].mustKeepApart)).toEqual(swelling);
    expect(those((finding) => findingRules[finding].unitPlace === 'hazard')).toEqual(swelling);
    expect(those((finding) => findingRules[finding].cellPlace === 'hazard')).toEqual(swelling);
    expect(those((finding) => findingRules[finding].forbids.length > 0)).toEqual(swelling);
    expect(those((finding) => findingRules[finding].settledBy === 'made-safe')).toEqual(swelling);
    expect(those((finding) => findingRules[finding].minutesFactor > 1)).toEqual(swelling);
    expect(those((finding) => findingRules[finding].isOverWhenReplaced).toSorted()).toEqual(['crack', 'swelling']);
    expect(those((finding) => findingRules[finding].isStated).toSorted()).toEqual([
      'liquid',
      'opened-before',
      'swelling',
    ]);
    expect(those((finding) => findingRules[finding].reach === 'under-mark').toSorted()).toEqual(['crack', 'dent']);
  });

  test('the checks before anything goes back, with their minutes', () => {
    const gates = Object.values(findingRules).flatMap(({ gate }) =>
      gate ? [`${gate.id} ${gate.minutes.low} ${gate.minutes.likely} ${gate.minutes.high}`] : [],
    );
    expect(gates).toEqual([
      'flat-after-swelling 2 3 6',
      'dry-after-liquid 2 4 8',
      'right-after-others 1 2 5',
      'true-after-dent 1 2 6',
    ]);
  });
});

describe('when a finding is over', () => {
  test('a dent never is, whatever was replaced; nor what spoils nothing', () => {
    const everything = Object.fromEntries(phone.parts.map(({ id }) => [id, 'p']));
    const found = ['dent', 'liquid', 'opened-before', 'screw-missing', 'part-missing'] as const;
    expect(standingFindings(phone, { marks: [], found, fitted: everything })).toEqual(found);
    // A crack in a cover spoils it to D, which is not scrap: it stays with the unit.
    const cover = { marks: [{ kind: 'crack' as const, face: 'back', field: 5 }], fitted: everything };
    expect(standingFindings(phone, cover)).toEqual(['crack']);
  });

  test('each by its own parts: a new display ends the crack, not the swelling beside it', () => {
    const found = ['crack', 'swelling'] as const;
    expect(standingFindings(handset, { marks: [], found, fitted: { display: 'p' } })).toEqual(['swelling']);
    const marks = [
      { kind: 'crack' as const, face: 'front', field: 5 },
      { kind: 'swelling' as const, face: 'front', field: 5 },
    ];
    expect(standingFindings(phone, { marks, fitted: { battery: 'p' } })).toEqual(['crack']);
    expect(standingFindings(phone, { marks, fitted: { display: 'p' } })).toEqual(['swelling']);
  });
});
