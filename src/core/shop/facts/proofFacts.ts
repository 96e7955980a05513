import { accept, refuse } from '@/core/shared/outcome';
import { openProofs } from '@/core/sale/openProofs';
import { gradesHeld, predictSale } from '@/core/sale/predictSale';
import { refuseForbidden } from '../refuseForbidden';
import { identifiedIn, unitIn } from '../findUnit';
import type { SaleGrade } from '@/core/shared/grades';
import type { NotedTest } from './notedTest';
import { define, on } from '../define';
import { unitChange } from '../world';

/** Prove and Send: whether it may be sold, at which grade, and that it left. */
export const proofFacts = {
  'proof-noted': define<NotedTest>({
    subject: 'unit',
    saidBy: 'technician',
    isPosted: true,
    effect: on(unitIn('prove'), (unit, { payload: { test, result } }) =>
      accept([unitChange(unit, { ...unit, proof: { ...unit.proof, [test]: result } })]),
    ),
  }),

  'unit-proven': define<{ readonly cosmetic: SaleGrade }>({
    subject: 'unit',
    saidBy: 'technician',
    isPosted: true,
    effect: on(identifiedIn('prove'), ({ unit, model }, fact, world) => {
      const forbidden = refuseForbidden(world, unit, 'prove');
      if (forbidden) return forbidden;
      if (!unit.isWiped) return refuse('not-wiped', { tag: unit.tag });
      const open = openProofs(model, unit);
      const [first] = open;
      if (first !== undefined) return refuse('tests-open', { tag: unit.tag, count: open.length, first });
      const held = gradesHeld(unit.fitted, (id) => world.find('part', id)?.grade);
      const { grade: saleGrade } = predictSale(model, unit, { held, look: fact.payload.cosmetic }, world.rules);
      return accept([unitChange(unit, { ...unit, saleGrade, stage: 'send' })]);
    }),
  }),

  'unit-reworked': define<{ readonly because: string }>({
    subject: 'unit',
    saidBy: 'technician',
    isPosted: true,
    effect: on(unitIn('prove'), (unit) => {
      // What failed in proof is now known of the unit, so that Match asks for the part behind it.
      return accept([
        unitChange(unit, {
          ...unit,
          stage: 'match',
          disposition: 'build',
          tests: { ...unit.tests, ...unit.proof },
          proof: {},
          sheet: null,
        }),
      ]);
    }),
  }),

  'unit-sent': define<{ readonly shipment: string; readonly recipient: string }>({
    subject: 'unit',
    saidBy: 'technician',
    isPosted: true,
    effect: on(
      unitIn('send'),
      (unit, { payload: { shipment } }, world) =>
        refuseForbidden(world, unit, 'send') ?? accept([unitChange(unit, { ...unit, stage: 'sent', shipment })]),
    ),
  }),
};
