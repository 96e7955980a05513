import { TestBench } from '../../../tests/support/bench';
import { shippedModels } from '../../../tests/support/models';
import type { Model } from '@/core/procedure/model';
import { screwLedger } from './screwLedger';
import { sheetOf } from './sheetOf';
import { trayNow } from './trayNow';

function look(bench: TestBench, model: Model) {
  const unit = bench.unit();
  if (!unit.sheet) throw new Error('no sheet');
  const planned = sheetOf(model, unit, unit.sheet);
  if (!planned.ok) throw new Error(JSON.stringify(planned.refusal));
  const { doneStepIds, screwTroubles } = unit.sheet;
  return {
    tray: trayNow(planned.value, doneStepIds, screwTroubles),
    ledger: screwLedger(planned.value.steps, doneStepIds, screwTroubles),
    cups: planned.value.cups,
  };
}
const held = (tray: readonly { count: number; kind: string }[]) =>
  tray.reduce((sum, { count, kind }) => sum + (kind === 'screw' ? count : 0), 0);

test.each(shippedModels.map((model) => [model.name, model] as const))(
  '%s: the tray holds at every step what is out and not back, no cup more than came into it, and is empty in the end',
  (_, model) => {
    const slots = model.parts.filter(({ slot }) => slot === 'functional').map(({ id }) => id);
    const bench = new TestBench();
    bench.decided(model, 'build');
    bench.rebuilding(model, slots);
    let most = 0;
    while (bench.unit().sheet?.isClosed === false) {
      const { tray, ledger, cups } = look(bench, model);
      const leaves = model.operations.flatMap(({ back }) => back?.leaves ?? []).length;
      expect(held(tray)).toBeGreaterThanOrEqual(ledger.out - ledger.returned);
      expect(held(tray)).toBeLessThanOrEqual(ledger.out);
      for (const { cup, count, kind } of tray) {
        const room = cups
          .filter((each) => each.cup === cup && each.group.kind === kind)
          .reduce((sum, { group }) => sum + group.count, 0);
        expect(count).toBeLessThanOrEqual(room);
      }
      if (leaves === 0) expect(held(tray)).toBe(ledger.out - ledger.returned);
      most = Math.max(most, held(tray));
      bench.passes(3600);
      expect(bench.step(model)).toBe('ok');
    }
    expect(most).toBeGreaterThan(0);
  },
);

test('a screw that was never there is not looked for', () => {
  const model = shippedModels.find(({ name }) => name === 'Slate Quay') as Model;
  const bench = new TestBench();
  bench.decided(model, 'donor');
  bench.act('sheet-started', 'u', { kind: 'teardown', targets: ['keyboard'], keeping: 'tray' });
  while (held(look(bench, model).tray) === 0) {
    const next = look(bench, model).cups[0]?.stepId as string;
    bench.act('screw-trouble', 'u', { stepId: next, kind: 'missing', count: 1 });
    bench.act('screw-trouble', 'u', { stepId: next, kind: 'stripped', count: 1 });
    bench.step(model);
  }
  const { tray, ledger } = look(bench, model);
  expect(held(tray)).toBe(ledger.out);
});
