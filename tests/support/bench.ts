import { applyFact } from '@/core/shop/applyFact';
import type { Part, Unit } from '@/core/entities/entities';
import { makeFact } from '@/core/shop/makeFact';
import { startingHouseRules, type HouseRules } from '@/core/shared/houseRules';
import type { FactType, Payloads } from '@/core/shop/facts';
import { MemoryWorld } from '@/core/shop/memoryWorld';
import { sheetOf } from '@/core/sheet/sheetOf';
import { freedByStep, nextStep, stepEndedBy } from '@/core/sheet/sheetSteps';
import type { Model } from '@/core/procedure/model';
import type { ModelPart } from '@/core/procedure/parts';
import type { Refusal } from '@/core/shared/outcome';
import { shippedModels } from './models';

/** A bench in memory: makes facts with the versions it sees, and says `ok` or the reason of the refusal. */
export class TestBench {
  readonly world: MemoryWorld;
  /** The bench's clock. */
  now = '2026-11-25T08:00:00.000Z';
  private made = 0;

  constructor(models: readonly Model[] = shippedModels, isPast = false, rules: HouseRules = startingHouseRules) {
    this.world = new MemoryWorld(models, [rules], isPast);
  }

  passes(seconds: number): void {
    this.now = new Date(Date.parse(this.now) + seconds * 1000).toISOString();
  }

  act<T extends FactType>(
    type: T,
    subjectId: string,
    payload: Payloads[T],
    given: { expects?: number | null; id?: string } = {},
  ): 'ok' | Refusal {
    this.made += 1;
    const made = makeFact<FactType>(
      this.world,
      { type, subjectId, payload },
      { id: given.id ?? `e${this.made}`, at: this.now },
    );
    if (!made.ok) return made.refusal;
    const fact = given.expects === undefined ? made.value : { ...made.value, expects: given.expects };
    const outcome = applyFact(this.world, fact);
    if (!outcome.ok) return outcome.refusal;
    this.world.commit(fact, outcome.value);
    return 'ok';
  }

  unit(id = 'u'): Unit {
    return this.world.find('unit', id) as Unit;
  }

  parts(): Part[] {
    return [...this.world.tables.part.values()];
  }

  /** A parcel with one identified unit in it. */
  identified(model: Model, id = 'u', serial = `S-${id}`): void {
    if (!this.world.find('parcel', 'p'))
      this.act('parcel-made', 'p', {
        code: 'Lot',
        supplier: 'Ferry',
        pricePaidCents: 1,
        transportCents: 0,
        receivedOn: '2026-11-25',
      });
    this.act('unit-tagged', id, { parcelId: 'p', lineNo: null, tag: `T-${id}` });
    this.act('unit-identified', id, {
      modelId: model.id,
      modelVersion: model.version,
      revision: model.revisions[0]?.id ?? '',
      configuration: model.configurations[0]?.id ?? '',
      variant: model.variants[0]?.id ?? '',
      serial,
    });
  }

  decided(model: Model, disposition: 'donor' | 'build', id = 'u'): void {
    this.identified(model, id);
    this.act('unit-decided', id, { disposition, proposed: disposition, apartPlace: null });
  }

  /** A matched unit on its rebuild sheet, with a fresh part for each slot. */
  rebuilding(model: Model, slots: readonly string[], id = 'u'): void {
    for (const slot of slots) {
      const part = model.parts.find((entry) => entry.id === slot);
      if (!part) throw new Error(`no part ${slot}`);
      this.world.put('part', sparePart(model, part, `spare-${slot}`));
      this.act('part-assigned', id, { slot, partId: `spare-${slot}` });
    }
    const unit = this.unit(id);
    this.world.put('unit', { ...unit, stage: 'rebuild' });
    const begun = this.act('sheet-started', id, { kind: 'rebuild', targets: slots, keeping: 'tray' });
    if (begun !== 'ok') throw new Error(JSON.stringify(begun));
  }

  /** Does the step that comes next; at a gate, passes it. */
  step(model: Model, id = 'u', endId?: string): 'ok' | Refusal {
    if (this.unit(id).sheet?.isHalted) this.act('hazard-cleared', id, {});
    const unit = this.unit(id);
    const planned = unit.sheet && sheetOf(model, unit, unit.sheet);
    const next = planned?.ok && unit.sheet ? nextStep(planned.value.steps, unit.sheet) : undefined;
    if (!next || !unit.sheet) throw new Error('no step is left');
    if (next.leg === 'gate') return this.act('gate-judged', id, { stepId: next.id, hasPassed: true });
    const operation = model.operations.find(({ id: own }) => own === next.operationId);
    const ended = stepEndedBy(next, operation, endId);
    const freed = next.leg === 'out' ? freedByStep(model, unit.sheet, ended, () => `part-${(this.made += 1)}`) : [];
    return this.act('step-done', id, { stepId: next.id, seconds: 5, freed, ...(endId !== undefined && { endId }) });
  }

  finishSheet(model: Model, id = 'u'): void {
    while (this.unit(id).sheet?.isClosed === false) {
      // Nobody hurries here: what has to air has aired.
      this.passes(600);
      const outcome = this.step(model, id);
      if (outcome !== 'ok') throw new Error(JSON.stringify(outcome));
    }
  }
}

/** A good part of a model on the shelf, out of some other unit. */
export const sparePart = (model: Model, { id, category, interchange }: ModelPart, partId: string): Part => ({
  id: partId,
  tag: `T-${partId}`,
  partRef: id,
  modelId: model.id,
  category,
  interchange,
  unitId: 'elsewhere',
  state: 'sound',
  place: 'shelf',
  readings: {},
  grade: 'A',
  limiting: 'nothing',
  bin: 'A01',
  assignedTo: null,
  isDataCleared: true,
  carries: [],
  findings: [],
  version: 1,
  lastFactId: '',
});
