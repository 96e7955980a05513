import { changedFields } from './shopChange';
import { isCertified, isGuessable, judgeMember, mustSignInAnew, type Member } from './roster';

const member = (name: string, more: Partial<Member> = {}): Member => ({
  id: name,
  name,
  role: 'technician',
  usualBench: null,
  certifiedUntil: null,
  hasLeft: false,
  version: 1,
  ...more,
});

describe('the roster', () => {
  const shop = [
    member('Imke R.'),
    member('Sunniva T.', { role: 'lead' }),
    member('Old Lead', { role: 'lead', hasLeft: true }),
  ];
  const lead = shop[1] as Member;

  test('names are kept tidy and are one even in another case', () => {
    expect(judgeMember(shop, null, member('  Petra   L. '))).toMatchObject({ ok: true, value: { name: 'Petra L.' } });
    expect(judgeMember(shop, null, member(' imke  r.'))).toMatchObject({ refusal: { reason: 'name-taken' } });
    expect(judgeMember(shop, null, member('old lead'))).toMatchObject({ refusal: { reason: 'name-taken' } });
    expect(judgeMember(shop, 'Imke R.', member('IMKE R.'))).toMatchObject({ ok: true });
  });

  test('one lead always stays', () => {
    for (const change of [{ role: 'technician' }, { role: 'viewer' }, { hasLeft: true }] as const)
      expect(judgeMember(shop, lead.id, { ...lead, ...change })).toMatchObject({
        refusal: { reason: 'last-lead', values: { name: 'Sunniva T.' } },
      });
    const two = [...shop, member('Mirel A.', { role: 'lead' })];
    expect(judgeMember(two, lead.id, { ...lead, hasLeft: true })).toMatchObject({ ok: true });
    expect(judgeMember(shop, 'Imke R.', { ...member('Imke R.'), hasLeft: true })).toMatchObject({ ok: true });
  });

  test('a certificate holds through its last day', () => {
    const until = (certifiedUntil: string | null) => isCertified({ certifiedUntil }, '2026-11-27');
    expect([until('2026-11-27'), until('2026-11-26'), until('2027-01-01'), until(null)]).toEqual([
      true,
      false,
      true,
      false,
    ]);
  });

  test('PINs that anybody tries first', () => {
    expect(['0000', '1234', '987654', '777777'].map(isGuessable)).toEqual([true, true, true, true]);
    expect(['2580', '1235', '112233', '4096'].map(isGuessable)).toEqual([false, false, false, false]);
  });

  test('who signs in anew, and what a change says of itself', () => {
    const { id: _, version: __, ...before } = lead;
    expect(mustSignInAnew(before, { ...before, certifiedUntil: '2027-01-01' })).toBe(false);
    expect(mustSignInAnew(before, { ...before, role: 'viewer' })).toBe(true);
    expect(mustSignInAnew(before, { ...before, hasLeft: true })).toBe(true);
    expect(changedFields(before, { ...before, role: 'viewer', usualBench: 'desk' })).toEqual([
      { field: 'role', from: 'lead', to: 'viewer' },
      { field: 'usualBench', from: null, to: 'desk' },
    ]);
  });
});
