import { accept, refuse } from '@/core/shared/outcome';
import type { Effects } from './effect';
import type { Part } from './entities';
import { gradeForSale, openProofs } from './proving';
import { modelOf, unitAt } from './unitAt';
import { unitChange } from './world';

/** Prove and Send: whether it may be sold, at which grade, and that it left. */
export const proofEffects: Effects<'proof-noted' | 'unit-proven' | 'unit-reworked' | 'unit-sent'> = {
  'proof-noted': (world, event) => {
    const found = unitAt(world, event, 'prove');
    if (!found.ok) return found;
    const proof = { ...found.value.proof, [event.payload.test]: event.payload.result };
    return accept([unitChange(found.value, { ...found.value, proof })]);
  },

  'unit-proven': (world, event) => {
    const found = unitAt(world, event, 'prove');
    if (!found.ok) return found;
    const unit = found.value;
    const model = modelOf(world, unit);
    if (!model.ok) return model;
    if (!unit.isWiped) return refuse('not-wiped', { tag: unit.tag });
    const open = openProofs(model.value, unit);
    if (open.length > 0) return refuse('tests-open', { tag: unit.tag, count: open.length, first: open[0] as string });
    const fitted = Object.values(unit.fitted).flatMap((id) => world.find('part', id) ?? []) satisfies Part[];
    const { saleGrade } = gradeForSale(model.value, unit, fitted, event.payload.cosmetic);
    return accept([unitChange(unit, { ...unit, saleGrade, stage: 'send' })]);
  },

  'unit-reworked': (world, event) => {
    const found = unitAt(world, event, 'prove');
    if (!found.ok) return found;
    const unit = found.value;
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
  },

  'unit-sent': (world, event) => {
    const found = unitAt(world, event, 'send');
    if (!found.ok) return found;
    return accept([unitChange(found.value, { ...found.value, stage: 'sent', shipment: event.payload.shipment })]);
  },
};
