import { TestBench } from '../../../tests/support/bench';
import { handset } from '../../../tests/support/models';
import { screwLedger } from './screwLedger';
import { sheetOf } from './sheetOf';

test('screws out, in and to be replaced are sums over the joints of the steps done', () => {
  const bench = new TestBench();
  bench.decided(handset, 'donor');
  bench.act('sheet-started', 'u', { kind: 'teardown', targets: ['display'], keeping: 'tray' });
  const ledger = () => {
    const unit = bench.unit();
    if (!unit.sheet) throw new Error('no sheet');
    const planned = sheetOf(handset, unit, unit.sheet);
    if (!planned.ok) throw new Error('no plan');
    return screwLedger(planned.value.steps, unit.sheet.doneStepIds, unit.sheet.screwTroubles);
  };
  expect(ledger()).toEqual({ out: 0, returned: 0, discarded: 0, loosened: 0, toReplace: 0 });
  bench.step(handset);
  bench.step(handset);
  bench.act('screw-trouble', 'u', { stepId: 'out:case-screws', kind: 'missing', count: 1 });
  bench.act('screw-trouble', 'u', { stepId: 'out:case-screws', kind: 'stripped', count: 2 });
  bench.act('screw-trouble', 'u', { stepId: 'out:case-screws', kind: 'stuck', count: 1 });
  bench.step(handset);
  // Six joints, one screw was never there; two are stripped; a stuck one came out in the end.
  expect(ledger()).toEqual({ out: 5, returned: 0, discarded: 0, loosened: 0, toReplace: 3 });
});
