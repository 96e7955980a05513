import { getModelPart } from '@/core/procedure/model';
import type { ModelPart } from '@/core/procedure/parts';
import type { Knex } from 'knex';
import type { Part, Unit } from '@/core/entities/entities';
import { wordedFact } from '@/core/shop/makeFact';
import type { FactType, Payloads } from '@/core/shop/facts';
import type { Person } from '@/core/people/roles';
import type { Model } from '@/core/procedure/model';
import { recordFact } from '@/services/facts/recordFact';
import type { SimulatedUnit } from '@/core/simulation/simulateTeardown';
import type { Chance } from '@/core/shared/chance';
import { startingHouseRules } from '@/core/shared/houseRules';
import { knowledgeFor, type ShopKnowledge } from '@/core/triage/knowledge';
import { proposeDisposition } from '@/core/triage/proposeDisposition';
import { planHarvest } from '@/core/triage/valueDonor';
import type { Valued } from '@/core/triage/valued';
import { shopKnowledge } from '@/core/triage/shopKnowledge';
import { knowledgeGround } from '@/data/triage/knowledgeGround';
import type { Workday } from './workday';

/** Makes facts as a bench would, through the same service, at the demo's own time. */
export class DemoBench {
  readonly units = new Map<string, Unit>();
  readonly parts = new Map<string, Part>();
  private readonly versions = new Map<string, number>();
  private facts = 0;
  private known: { readonly at: number; readonly shop: ShopKnowledge } | null = null;
  private readonly truths = new Map<string, SimulatedUnit>();
  private person: Person;

  constructor(
    private readonly db: Knex,
    private readonly people: readonly Person[],
    /** Newest versions first. */
    public models: readonly Model[],
    readonly chance: Chance,
    readonly clock: Workday,
    /** Units that are there already and will be worked on. */
    units: readonly Unit[] = [],
  ) {
    for (const unit of units) {
      this.units.set(unit.id, unit);
      this.versions.set(unit.id, unit.version);
    }
    this.person = chance.pick(people);
  }

  /** Somebody takes the next thing in hand, and works on it alone until the next turn. */
  turn(): void {
    this.person = this.chance.pick(this.people);
  }

  /** Lets time pass that nobody records anything in. */
  wait(minutes: number): void {
    this.clock.pass(minutes);
  }

  /** Records one fact some minutes after the last. */
  async fact<T extends FactType>(type: T, subjectId: string, payload: Payloads[T], minutes: number): Promise<string> {
    this.facts += 1;
    const now = this.clock.pass(minutes);
    const id = this.chance.uuid();
    const expects = this.versions.get(subjectId) ?? null;
    const outcome = await recordFact(
      this.db,
      this.person,
      wordedFact<FactType>({ type, subjectId, payload }, { id, expects, at: now.toISOString() }),
      now,
    );
    if (!outcome.ok) throw new Error(`demo: ${type} refused: ${JSON.stringify(outcome.refusal)}`);
    for (const { kind, id: thing, after } of outcome.value.results) {
      if (!after) continue;
      this.versions.set(thing, after.version);
      if (kind === 'unit') this.units.set(thing, after);
      if (kind === 'part') this.parts.set(thing, after);
    }
    return id;
  }

  unit(id: string): Unit {
    return this.units.get(id) as Unit;
  }

  /** What the shop knows, read anew every so many facts: a benchful of work changes no proposal. */
  private async knowledge(): Promise<ShopKnowledge> {
    if (!this.known || this.facts - this.known.at > 120)
      this.known = {
        at: this.facts,
        shop: shopKnowledge(await knowledgeGround(this.db, this.clock.pass(0)), startingHouseRules),
      };
    return this.known.shop;
  }

  /** What triage would propose for a unit now, best first. */
  async propose(unit: Unit): Promise<readonly Valued[]> {
    const model = this.modelOf(unit);
    const knowledge = knowledgeFor(await this.knowledge(), model.id);
    return proposeDisposition(model, unit, knowledge, startingHouseRules).valued;
  }

  /** Parts that pay on a unit as a donor, by what is known now. */
  async harvestOf(unit: Unit): Promise<readonly string[]> {
    const model = this.modelOf(unit);
    const knowledge = knowledgeFor(await this.knowledge(), model.id);
    return planHarvest(model, unit, knowledge, startingHouseRules)?.harvest.map(({ part }) => part) ?? [];
  }

  /** What is true of a unit inside, which nobody at the bench knows. */
  truthOf({ id }: Unit): SimulatedUnit {
    const truth = this.truths.get(id) ?? { broken: new Set<string>(), out: new Set<string>() };
    this.truths.set(id, truth);
    return truth;
  }

  modelOf(unit: Unit): Model {
    return this.models.find(({ id, version }) => id === unit.modelId && version === unit.modelVersion) as Model;
  }

  /** A part as its model has it. */
  modelPartOf({ unitId, partRef }: Part): ModelPart {
    const unit = this.units.get(unitId);
    if (!unit) throw new Error(`demo: no unit ${unitId}`);
    return getModelPart(this.modelOf(unit), partRef);
  }

  partsAt(place: Part['place']): Part[] {
    return [...this.parts.values()].filter((part) => part.place === place);
  }
}
