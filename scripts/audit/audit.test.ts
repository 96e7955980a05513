import fc from 'fast-check';
import { projectRoot } from '../support/home';
import { meetAdvisories, readRegistryReport, type OsvAdvisory } from './advisories';
import { judgeLicences } from './licences';
import { lockedPackages, type LockedPackage } from './lockfile';

const one = (name: string, version: string, licence: string | null = 'MIT'): LockedPackage => ({
  name,
  version,
  licence,
  isForDevelopment: false,
});
const advisory = (events: readonly object[], more: object = {}): OsvAdvisory =>
  ({
    id: 'TEST-1',
    summary: 'It falls over',
    affected: [{ package: { ecosystem: 'npm', name: 'fictional' }, ranges: [{ type: 'SEMVER', events }] }],
    ...more,
  }) as OsvAdvisory;
const isMet = (version: string, events: readonly object[], more: object = {}) =>
  meetAdvisories([one('fictional', version)], [advisory(events, more)]).length > 0;

describe('advisories', () => {
  test.each([
    ['1.0.0', [{ introduced: '0' }], true],
    ['1.2.3', [{ introduced: '1.0.0' }, { fixed: '1.2.3' }], false],
    ['1.2.2', [{ introduced: '1.0.0' }, { fixed: '1.2.3' }], true],
    ['0.9.9', [{ introduced: '1.0.0' }, { fixed: '1.2.3' }], false],
    ['2.1.0', [{ introduced: '0' }, { fixed: '1.0.0' }, { introduced: '2.0.0' }, { fixed: '2.2.0' }], true],
    ['1.5.0', [{ introduced: '0' }, { fixed: '1.0.0' }, { introduced: '2.0.0' }, { fixed: '2.2.0' }], false],
    ['1.4.0', [{ introduced: '0' }, { last_affected: '1.4.0' }], true],
    ['1.4.1', [{ introduced: '0' }, { last_affected: '1.4.0' }], false],
    ['2.0.0-beta.1', [{ introduced: '2.0.0-alpha' }, { fixed: '2.0.0' }], true],
  ])('%s with %j: %s', (version, events, expected) => {
    expect(isMet(version, events)).toBe(expected);
  });

  test('one that was withdrawn, of another package or of another world says nothing', () => {
    const all = [{ introduced: '0' }];
    expect(isMet('1.0.0', all, { withdrawn: '2026-01-01T00:00:00Z' })).toBe(false);
    expect(meetAdvisories([one('other', '1.0.0')], [advisory(all)])).toEqual([]);
    const snake = [{ package: { ecosystem: 'PyPI', name: 'fictional' }, ranges: [{ type: 'SEMVER', events: all }] }];
    expect(isMet('1.0.0', all, { affected: snake })).toBe(false);
  });

  test('versions between coming in and mending are met, by plain arithmetic of numbers', () => {
    fc.assert(
      fc.property(fc.nat(50), fc.nat(50), fc.nat(50), (version, from, to) => {
        const met = isMet(`1.${version}.0`, [{ introduced: `1.${from}.0` }, { fixed: `1.${to}.0` }]);
        expect(met).toBe(version >= from && version < to);
      }),
    );
  });
});

describe('what the registry says', () => {
  const packages = [one('fictional', '1.0.0')];
  test('faults are told with their place; a package that is only on the way is not', () => {
    const report = {
      vulnerabilities: {
        fictional: { severity: 'high', via: [{ title: 'It falls over', url: 'https://example.org/1' }] },
        above: { severity: 'high', via: ['fictional'] },
      },
    };
    expect(readRegistryReport(JSON.stringify(report), packages)).toEqual([
      { name: 'fictional', version: '1.0.0', severity: 'high', title: 'It falls over', where: 'https://example.org/1' },
    ]);
  });

  test.each([
    ['nothing', ''],
    ['a refusal', '{"message":"405 Method Not Allowed","statusCode":405}'],
    ['a page', '<html>'],
  ])('%s is no answer', (_what, report) => {
    expect(readRegistryReport(report, packages)).toBeNull();
  });
});

describe('licences', () => {
  test.each([
    ['MIT', true],
    ['(MIT OR GPL-3.0-only)', true],
    ['MIT AND GPL-3.0-only', false],
    ['AGPL-3.0-only', false],
    ['SEE LICENSE IN LICENSE.txt', false],
    [null, false],
  ])('%s', (licence, isFine) => {
    expect(judgeLicences([one('fictional', '1.0.0', licence)]).open).toHaveLength(isFine ? 0 : 1);
  });

  test('every package of this project comes by one that was looked at', () => {
    const packages = lockedPackages(projectRoot);
    expect(packages.length).toBeGreaterThan(400);
    const { counts, open } = judgeLicences(packages);
    expect(open).toEqual([]);
    expect(Object.values(counts).reduce((sum, count) => sum + count, 0)).toBe(packages.length);
  });
});
