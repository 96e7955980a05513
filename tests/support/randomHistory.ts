import { replanSheet } from '@/core/sheet/replanSheet';
import { rungNow } from '@/core/sheet/rungNow';
import { sheetOf } from '@/core/sheet/sheetOf';
import { defaultTargets, freedByStep, nextStep, partsToTag, sheetKindAt, stepEndedBy } from '@/core/sheet/sheetSteps';
import { fitsSlot, slotNeeds } from '@/core/sale/slots';
import { defectCodes, dispositions, letGoCauses, screwTroubles, skipCauses } from '@/core/entities/stages';
import type { Part, Unit } from '@/core/entities/entities';
import { definitions, type Fact, type FactType, type Payloads } from '@/core/shop/facts';
import type { MemoryWorld } from '@/core/shop/memoryWorld';
import { isScrew } from '@/core/procedure/joints';
import { findings, testResults } from '@/core/procedure/vocabulary';
import type { Model } from '@/core/procedure/model';
import { torqueState } from '@/core/screws/torqueState';
import { costRules } from '@/core/shared/costRule';
import { saleGrades } from '@/core/shared/grades';
import { screwKeepings } from '@/core/shared/houseRules';
import type { Chance } from '@/core/shared/chance';
import { inventReadings } from '../../scripts/demo/readings';

type Draft = {
  [T in FactType]: { readonly type: T; readonly subjectId: string; readonly payload: Payloads[T] };
}[FactType];

/** Makes up facts that could happen next in a world: mostly possible ones, now and then one that must be refused. */
export class RandomHistory {
  private serial = 0;
  private readonly made: { id: string; subjectId: string }[] = [];

  constructor(
    private readonly world: MemoryWorld,
    private readonly models: readonly Model[],
    private readonly chance: Chance,
  ) {}

  next(): Fact {
    const draft = this.draft();
    const { subject: kind, makesSubject } = definitions[draft.type];
    const version = kind ? this.world.find(kind, draft.subjectId)?.version : undefined;
    const stale = this.chance.happens(0.02) ? 1 : 0;
    const expects = makesSubject || kind === null ? null : (version ?? 1) + stale;
    const id = this.chance.uuid();
    this.serial += 1;
    return { id, expects, at: new Date(Date.UTC(2026, 0, 1) + this.serial * 30_000).toISOString(), ...draft };
  }

  /** Remembers what was accepted, so that it may be taken back later. */
  accepted(fact: Fact): void {
    this.made.push({ id: fact.id, subjectId: fact.subjectId });
  }

  private draft(): Draft {
    const { chance, world } = this;
    const units = [...world.tables.unit.values()];
    const parts = [...world.tables.part.values()];
    if (chance.happens(0.1) && this.made.length > 0) {
      const target = chance.pick(this.made.slice(-6));
      return { type: 'undone', subjectId: target.subjectId, payload: { factId: target.id } };
    }
    if (world.tables.parcel.size < 3 || chance.happens(0.003)) return this.parcel();
    const apart = units.filter(({ stage }) => stage === 'kept-apart');
    if (apart.length > 0 && chance.happens(0.02))
      return { type: 'unit-let-go', subjectId: chance.pick(apart).id, payload: { because: chance.pick(letGoCauses) } };
    const active = units.filter(({ stage }) => !['sent', 'spent', 'recycled', 'kept-apart'].includes(stage));
    if (active.length < 12 || chance.happens(0.01)) return this.intake();
    if (chance.happens(0.01)) {
      const { id, version, parts: own } = chance.pick([...this.models]);
      return {
        type: 'part-bought',
        subjectId: chance.uuid(),
        payload: {
          modelId: id,
          modelVersion: version,
          partRef: chance.pick(own).id,
          condition: chance.pick(['new', 'used'] as const),
          supplier: 'Quayside Parts',
          cents: Math.ceil(chance.between(100, 9000)),
          warrantyUntil: chance.happens(0.5) ? '2027-11-26' : null,
          isWhole: chance.happens(0.3),
        },
      };
    }
    const loose = parts.filter(({ place }) => place !== 'fitted' && place !== 'gone');
    if (loose.length > 0 && chance.happens(0.25)) return this.part(chance.pick(loose));
    return this.unit(chance.pick(active), parts);
  }

  private parcel(): Draft {
    const code = `Lot ${this.world.tables.parcel.size + 1} ${this.serial}`;
    return {
      type: 'parcel-made',
      subjectId: this.chance.uuid(),
      payload: { code, supplier: 'Test', pricePaidCents: 100, transportCents: 0, receivedOn: '2026-01-01' },
    };
  }

  private intake(): Draft {
    const parcel = this.chance.pick([...this.world.tables.parcel.values()]);
    if (this.chance.happens(0.1))
      return { type: 'cost-spread', subjectId: parcel.id, payload: { rule: this.chance.pick(costRules) } };
    if (this.chance.happens(0.1))
      return { type: 'parcel-counted', subjectId: parcel.id, payload: { isCounted: this.chance.happens(0.5) } };
    if (this.chance.happens(0.05)) {
      // One with units in it is refused: an empty one, where there is one.
      const units = [...this.world.tables.unit.values()];
      const empty = [...this.world.tables.parcel.values()].find(({ id }) =>
        units.every(({ parcelId }) => parcelId !== id),
      );
      return { type: 'parcel-removed', subjectId: (empty ?? parcel).id, payload: {} };
    }
    if (this.chance.happens(0.05)) {
      const { code, supplier, transportCents, receivedOn } = parcel;
      const pricePaidCents = Math.ceil(this.chance.between(1, 5000));
      return {
        type: 'parcel-corrected',
        subjectId: parcel.id,
        payload: { code, supplier, pricePaidCents, transportCents, receivedOn },
      };
    }
    if (parcel.lineCount < 20 && this.chance.happens(0.3)) {
      const lines = [1, 2, 3].map((at) => ({
        lineNo: parcel.lineCount + at,
        maker: 'Oddkin',
        model: 'Lantern 5',
        serial: '',
        note: '',
      }));
      return { type: 'lines-expected', subjectId: parcel.id, payload: { fileName: 'list.csv', lines } };
    }
    const lineNo =
      this.chance.happens(0.5) && parcel.lineCount > 0 ? Math.ceil(this.chance.between(0.01, parcel.lineCount)) : null;
    return { type: 'unit-tagged', subjectId: this.chance.uuid(), payload: { parcelId: parcel.id, lineNo } };
  }

  private part(part: Part): Draft {
    const { chance } = this;
    if (part.category === 'battery' && part.conditioning && chance.happens(0.4))
      return { type: 'cell-taken-off', subjectId: part.id, payload: {} };
    if (part.category === 'battery' && part.place === 'grade' && chance.happens(0.3))
      return {
        type: 'cell-conditioned',
        subjectId: part.id,
        payload: { ratedAmpHours: 3, health: 0.9, filled: chance.next() },
      };
    if (part.place === 'grade')
      return { type: 'part-graded', subjectId: part.id, payload: { readings: inventReadings(part, chance) } };
    if (part.place === 'shelf' && chance.happens(0.1))
      return { type: 'part-graded', subjectId: part.id, payload: { readings: inventReadings(part, chance) } };
    if ((part.place === 'shelf' || part.place === 'to-shelve') && chance.happens(0.1))
      return { type: 'part-looked-again', subjectId: part.id, payload: { readings: inventReadings(part, chance) } };
    const subjectId = part.id;
    if (part.place === 'scrap' || part.place === 'hazard')
      return chance.happens(0.1)
        ? { type: 'part-handed-over', subjectId, payload: { to: 'test' } }
        : { type: 'part-scrapped', subjectId, payload: { because: 'test' } };
    if (part.place === 'assigned') return { type: 'part-picked', subjectId, payload: {} };
    if (part.place === 'reserved' && chance.happens(0.5)) return { type: 'part-unreserved', subjectId, payload: {} };
    if (part.place !== 'to-shelve' && chance.happens(0.2))
      return { type: 'part-reserved', subjectId, payload: { for: chance.happens(0.5) ? 'a customer' : 'U-00003' } };
    if (part.place !== 'to-shelve' && chance.happens(0.1))
      return { type: 'part-missed', subjectId, payload: { because: 'test' } };
    if (part.category === 'battery' && part.place === 'shelf' && chance.happens(0.3))
      return { type: 'cell-topped-up', subjectId, payload: { restVolt: chance.between(3.6, 3.9) } };
    if (part.place === 'to-shelve' || chance.happens(0.9))
      return { type: 'part-shelved', subjectId: part.id, payload: { bin: `A0${Math.ceil(chance.between(0.1, 9))}` } };
    return { type: 'part-scrapped', subjectId: part.id, payload: { because: 'test' } };
  }

  private unit(unit: Unit, parts: readonly Part[]): Draft {
    const { chance } = this;
    const subjectId = unit.id;
    if (chance.happens(0.02)) return { type: 'unit-recalled', subjectId, payload: { because: 'test' } };
    if (unit.stage === 'send' && chance.happens(0.2)) return { type: 'release-withdrawn', subjectId, payload: {} };
    const model = this.models.find(({ id }) => id === unit.modelId);
    if (!model) {
      const chosen = chance.pick(this.models);
      const payload = {
        modelId: chosen.id,
        modelVersion: chosen.version,
        revision: chance.pick(chosen.revisions).id,
        configuration: chance.pick(chosen.configurations).id,
        variant: chance.pick(chosen.variants).id,
        serial: `T${this.serial}`,
      };
      return { type: 'unit-identified', subjectId, payload };
    }
    switch (unit.stage) {
      case 'triage':
        return this.triage(unit, model);
      case 'teardown':
        // Now and then, without a draw: the rest of the history stays as it is.
        if (unit.sheet === null && Object.keys(unit.promised).length === 0 && /^[0-2]/.test(unit.id)) {
          const parts = [{ part: model.parts[0]?.id ?? '', for: 'U-00003' }];
          return { type: 'parts-promised', subjectId, payload: { parts } };
        }
        return this.sheet(unit, model);
      case 'rebuild':
        return this.sheet(unit, model);
      case 'match':
        return this.match(unit, model, parts);
      case 'prove':
        return this.prove(unit, model);
      default:
        return { type: 'unit-sent', subjectId, payload: { shipment: 'S-0001', recipient: 'Test' } };
    }
  }

  private triage({ id: subjectId }: Unit, model: Model): Draft {
    const { chance } = this;
    if (chance.happens(0.2))
      return {
        type: 'mark-placed',
        subjectId,
        payload: { mark: { kind: chance.pick(findings), face: chance.pick(model.faces).id, field: 5 } },
      };
    if (chance.happens(0.05)) {
      const photo = { id: chance.uuid(), face: chance.pick(model.faces).id, field: null };
      return { type: 'photo-taken', subjectId, payload: { photo } };
    }
    if (chance.happens(0.5))
      return {
        type: 'test-noted',
        subjectId,
        payload: { test: chance.pick(model.tests), result: chance.happens(0.8) ? 'sound' : chance.pick(testResults) },
      };
    const disposition = chance.happens(0.8) ? chance.pick(['build', 'donor'] as const) : chance.pick(dispositions);
    return { type: 'unit-decided', subjectId, payload: { disposition, proposed: 'build', apartPlace: null } };
  }

  private sheet(unit: Unit, model: Model): Draft {
    const { chance } = this;
    const subjectId = unit.id;
    const kind = sheetKindAt(unit.stage) ?? 'teardown';
    if (!unit.sheet || unit.sheet.isClosed) {
      if (kind === 'teardown' && unit.tests.starts === 'sound' && !unit.isWiped)
        return { type: 'wipe-recorded', subjectId, payload: { method: 'device-erase' } };
      const targets =
        kind === 'rebuild'
          ? Object.keys(unit.assigned)
          : defaultTargets(model, unit.configuration).filter(() => chance.happens(0.6));
      return { type: 'sheet-started', subjectId, payload: { kind, targets, keeping: chance.pick(screwKeepings) } };
    }
    if (unit.sheet.isHalted && chance.happens(0.7)) return { type: 'hazard-cleared', subjectId, payload: {} };
    if (chance.happens(0.01)) return { type: 'unit-set-apart', subjectId, payload: { place: 'hazard' } };
    const planned = sheetOf(model, unit, unit.sheet);
    const step = planned.ok ? nextStep(planned.value.steps, unit.sheet) : undefined;
    if (!step || chance.happens(0.01)) return { type: 'sheet-closed', subjectId, payload: { because: 'test' } };
    if (step.wait && !unit.timer && chance.happens(0.5)) {
      const place = Math.ceil(chance.between(0.1, 3));
      const { fixture, minutes } = step.wait;
      return { type: 'wait-begun', subjectId, payload: { stepId: step.id, fixture, place, minutes } };
    }
    if (chance.happens(0.02))
      return { type: 'step-skipped', subjectId, payload: { stepId: step.id, because: chance.pick(skipCauses) } };
    const [screw] = step.joints.filter(isScrew);
    if (screw && chance.happens(0.03)) return { type: 'bit-renewed', subjectId, payload: { drive: screw.drive } };
    if (chance.happens(0.02)) return { type: 'note-written', subjectId, payload: { stepId: step.id, text: 'test' } };
    if (planned.ok && chance.happens(0.06)) {
      const deviation = chance.happens(0.5)
        ? ({ because: 'found', finding: chance.pick(findings) } as const)
        : ({ because: 'will-not-yield', operationId: step.operationId ?? '' } as const);
      const replan = replanSheet(model, { ...unit, sheet: unit.sheet }, planned.value, deviation);
      if (replan.ok) return { type: 'sheet-replanned', subjectId, payload: replan.value.payload };
    }
    if (chance.happens(0.1) && model.operations.some(({ id, ladder }) => id === step.operationId && ladder)) {
      const before = rungNow(unit.sheet, step.id);
      const tried = chance.happens(0.3) ? { rung: before, isHandedOver: true as const } : { rung: before + 1 };
      return { type: 'step-resisted', subjectId, payload: { stepId: step.id, ...tried, seconds: 40 } };
    }
    if (step.leg === 'gate')
      return { type: 'gate-judged', subjectId, payload: { stepId: step.id, hasPassed: chance.happens(0.7) } };
    const [first] = step.leg === 'out' ? partsToTag(model, unit.sheet, step) : [];
    if (first && chance.happens(0.1)) {
      return {
        type: 'part-trouble',
        subjectId,
        payload: {
          stepId: step.id,
          partRef: first.id,
          state: chance.pick(['broken-by-us', 'missing', 'suspect'] as const),
          defectCode: chance.pick(defectCodes),
        },
      };
    }
    if (chance.happens(0.05))
      return {
        type: 'screw-trouble',
        subjectId,
        payload: { stepId: step.id, kind: chance.pick(screwTroubles), count: 1 },
      };
    const asked = step.frees.find((id) => model.parts.some((part) => part.id === id && part.reusableIf));
    if (step.leg === 'out' && asked && chance.happens(0.3))
      return {
        type: 'reuse-judged',
        subjectId,
        payload: { stepId: step.id, partRef: asked, isReused: chance.happens(0.5) },
      };
    const torque = step.leg === 'back' ? torqueState(step.id, step.joints, unit.sheet.torques) : null;
    if (torque?.next && chance.happens(0.6)) {
      const newtonCm = Math.round(chance.between(0, 2 * (torque.next.torqueNewtonCm?.aim ?? 5)) * 10) / 10;
      const reading = { stepId: step.id, jointId: torque.next.id, newtonCm, isKept: chance.happens(0.5) };
      return { type: 'torque-read', subjectId, payload: reading };
    }
    const operation = step.leg === 'out' ? model.operations.find(({ id }) => id === step.operationId) : undefined;
    const endId = operation?.ends && chance.happens(0.4) ? chance.pick(operation.ends).id : undefined;
    const ended = stepEndedBy(step, operation, endId);
    const freed = step.leg === 'out' ? freedByStep(model, unit.sheet, ended, () => chance.uuid()) : [];
    const payload = { stepId: step.id, seconds: 12.5, freed, ...(endId !== undefined && { endId }) };
    return { type: 'step-done', subjectId, payload };
  }

  private match(unit: Unit, model: Model, parts: readonly Part[]): Draft {
    const { chance } = this;
    const subjectId = unit.id;
    const [slot] = Object.keys(unit.assigned);
    if (slot && chance.happens(0.1)) return { type: 'part-released', subjectId, payload: { slot } };
    const needs = slotNeeds(model, unit).filter(
      ({ part, isNeeded }) => (isNeeded || chance.happens(0.1)) && !unit.assigned[part.id],
    );
    for (const { part: wanted } of needs) {
      const fitting = parts.find((part) => part.place === 'shelf' && fitsSlot(model, wanted.id, part));
      if (fitting) return { type: 'part-assigned', subjectId, payload: { slot: wanted.id, partId: fitting.id } };
    }
    return { type: 'unit-matched', subjectId, payload: {} };
  }

  private prove(unit: Unit, model: Model): Draft {
    const { chance } = this;
    const subjectId = unit.id;
    const open = model.tests.find((test) => unit.proof[test] !== 'sound');
    if (open && !chance.happens(0.1))
      return {
        type: 'proof-noted',
        subjectId,
        payload: { test: open, result: chance.happens(0.9) ? 'sound' : 'fault' },
      };
    if (!unit.isWiped) return { type: 'wipe-recorded', subjectId, payload: { method: 'device-erase' } };
    if (chance.happens(0.1)) return { type: 'unit-reworked', subjectId, payload: { because: 'test' } };
    return { type: 'unit-proven', subjectId, payload: { cosmetic: chance.pick(saleGrades) } };
  }
}
