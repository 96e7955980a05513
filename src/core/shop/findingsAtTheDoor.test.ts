import { TestBench } from '../../../tests/support/bench';
import { handset } from '../../../tests/support/models';
import { findingRules } from '@/core/findings/rules';
import { findings, type Finding } from '@/core/procedure/vocabulary';
import { dispositions } from '@/core/entities/stages';
import type { Unit } from '@/core/entities/entities';

/** Every finding against every way out of the shop, by facts as a browser could send them. */
const back = handset.faces[0]?.id ?? '';

function found(finding: Finding, given: Partial<Unit> = {}): TestBench {
  const bench = new TestBench();
  bench.identified(handset);
  bench.act('mark-placed', 'u', { mark: { kind: finding, face: back, field: 5 } });
  bench.world.put('unit', { ...bench.unit(), ...given });
  return bench;
}
const reasonOf = (outcome: ReturnType<TestBench['act']>) => (outcome === 'ok' ? 'ok' : outcome.reason);
const sold = { proof: Object.fromEntries(handset.tests.map((test) => [test, 'sound'])), isWiped: true } as const;

describe.each(findings)('a unit with %s', (finding) => {
  const { forbids, unitPlace, haltsSheet } = findingRules[finding];
  const expected = (deed: (typeof forbids)[number]) => (forbids.includes(deed) ? 'finding-forbids' : 'ok');

  test.each(dispositions)('decided as %s', (disposition) => {
    const bench = found(finding);
    const outcome = bench.act('unit-decided', 'u', { disposition, proposed: 'quarantine', apartPlace: null });
    expect(reasonOf(outcome)).toBe(disposition === 'as-is' ? expected('sell-as-is') : 'ok');
    if (disposition === 'quarantine') expect(bench.unit().apartPlace).toBe(unitPlace ?? 'ownership');
  });

  test.each(['ownership', 'unknown-model'] as const)(
    'kept apart as %s by somebody: the finding comes first',
    (place) => {
      const bench = found(finding);
      bench.act('unit-decided', 'u', { disposition: 'quarantine', proposed: 'quarantine', apartPlace: place });
      expect(bench.unit().apartPlace).toBe(unitPlace ?? place);
    },
  );

  test('wiped by switching it on, or by destroying its storage', () => {
    expect(reasonOf(found(finding).act('wipe-recorded', 'u', { method: 'device-erase' }))).toBe(expected('wipe'));
    expect(reasonOf(found(finding).act('wipe-recorded', 'u', { method: 'storage-destroyed' }))).toBe('ok');
  });

  test('proven and sent by direct requests', () => {
    const prove = found(finding, { ...sold, stage: 'prove', disposition: 'build' });
    expect(reasonOf(prove.act('unit-proven', 'u', { cosmetic: 'A' }))).toBe(expected('prove'));
    const asIs = found(finding, { ...sold, stage: 'prove', disposition: 'as-is' });
    expect(reasonOf(asIs.act('unit-proven', 'u', { cosmetic: 'A' }))).toBe(expected('prove'));
    const send = found(finding, { ...sold, stage: 'send', saleGrade: 'B' });
    expect(reasonOf(send.act('unit-sent', 'u', { shipment: 'S-0001', recipient: 'Harbour' }))).toBe(expected('send'));
  });

  test('its sheet begins halted, or not, marked at triage as well as found at the bench', () => {
    const marked = found(finding, { stage: 'teardown', disposition: 'donor', isWiped: true });
    marked.act('sheet-started', 'u', { kind: 'teardown', targets: ['board'], keeping: 'tray' });
    expect(marked.unit().sheet?.isHalted).toBe(haltsSheet);
    const clean = new TestBench();
    clean.decided(handset, 'donor');
    clean.act('sheet-started', 'u', { kind: 'teardown', targets: ['board'], keeping: 'tray' });
    const asked = { targets: ['board'], findings: [finding], barred: [], again: [] };
    clean.act('sheet-replanned', 'u', { because: 'found', ...asked });
    expect([clean.unit().sheet?.isHalted, clean.unit().found]).toEqual([haltsSheet, [finding]]);
  });
});

test('what came to light on a rebuild stays with the unit when its sheet is gone', () => {
  const bench = new TestBench();
  bench.decided(handset, 'build');
  bench.rebuilding(handset, ['display']);
  const { targets } = bench.unit().sheet ?? { targets: [] };
  bench.act('sheet-replanned', 'u', { because: 'found', targets, findings: ['swelling'], barred: [], again: [] });
  bench.finishSheet(handset);
  bench.act('wipe-recorded', 'u', { method: 'storage-destroyed' });
  for (const test of handset.tests) bench.act('proof-noted', 'u', { test, result: 'sound' });
  expect(bench.act('unit-proven', 'u', { cosmetic: 'B' })).toMatchObject({ reason: 'finding-forbids' });
  // Back at Match it asks for another cell, and with one in it may go.
  bench.act('unit-reworked', 'u', { because: 'swollen' });
  expect(bench.act('unit-matched', 'u', {})).toMatchObject({ reason: 'slots-open' });
});
