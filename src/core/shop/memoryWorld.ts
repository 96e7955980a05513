import type { HouseRules } from '@/core/shared/houseRules';
import { plainSerial } from '@/core/shared/serials';
import { modelAmong, type Model } from '@/core/procedure/model';
import type { Entities, EntityKind, ParcelLine, Part, Unit } from '../entities/entities';
import type { Fact } from './facts';
import type { Change, Touched, World } from './world';

type Tables = { [K in EntityKind]: Map<string, Entities[K]> };

/** A world held in memory: for replaying the log, and for the browser to act ahead of the server. */
export class MemoryWorld implements World {
  readonly tables: Tables = { parcel: new Map(), line: new Map(), unit: new Map(), part: new Map() };
  private readonly recorded = new Map<string, { touched: readonly Touched[]; isUndone: boolean }>();

  /** Ids of the parts that came out of each unit: a replay asks at every step. */
  private readonly partIds = new Map<string, Set<string>>();
  private readonly lost = new Set<string>();

  /** @param ruleBook  versions of the house rules, the newest last */
  constructor(
    private readonly models: readonly Model[],
    private readonly ruleBook: readonly HouseRules[],
    readonly isPast = false,
  ) {}

  get rules(): HouseRules {
    const newest = this.ruleBook.at(-1);
    if (!newest) throw new RangeError('MemoryWorld: no house rules');
    return newest;
  }

  findRules(version: number): HouseRules | undefined {
    return this.ruleBook.find((rules) => rules.version === version);
  }

  find<K extends EntityKind>(kind: K, id: string): Entities[K] | undefined {
    return this.tables[kind].get(id);
  }

  findModel(id: string, version: number): Model | undefined {
    return modelAmong(this.models, { modelId: id, modelVersion: version });
  }

  partsOf(unitId: string): readonly Part[] {
    return [...(this.partIds.get(unitId) ?? [])].flatMap((id) => this.tables.part.get(id) ?? []);
  }

  countUnits(parcelId: string): number {
    return this.units().filter((unit) => unit.parcelId === parcelId).length;
  }

  linesOf(parcelId: string): readonly ParcelLine[] {
    return [...this.tables.line.values()].filter((line) => line.parcelId === parcelId);
  }

  findUnitByLine(parcelId: string, lineNo: number): Unit | undefined {
    return this.units().find((unit) => unit.parcelId === parcelId && unit.lineNo === lineNo);
  }

  findUnitBySerial(serial: string): Unit | undefined {
    return this.units().find((unit) => unit.serial === serial && unit.stage !== 'sent');
  }

  findUnitOnFixture(fixture: string, place: number): Unit | undefined {
    return this.units().find(({ timer }) => timer?.fixture === fixture && timer.place === place);
  }

  isReportedLost(serial: string): boolean {
    return this.lost.has(plainSerial(serial));
  }

  hasParcelCode(code: string): boolean {
    return [...this.tables.parcel.values()].some((parcel) => parcel.code === code);
  }

  findRecorded(factId: string): { readonly touched: readonly Touched[]; readonly isUndone: boolean } | undefined {
    return this.recorded.get(factId);
  }

  /** Puts a thing in as it is, without a fact. */
  put<K extends EntityKind>(kind: K, entity: Entities[K]): void {
    this.tables[kind].set(entity.id, entity);
    if (kind === 'part') this.countPart(entity as Part);
  }

  /** Makes it known that serials were reported lost. */
  reportLost(serials: readonly string[]): void {
    for (const serial of serials) this.lost.add(plainSerial(serial));
  }

  /** Makes a recorded fact known without applying it, so that it can be taken back. */
  remember(factId: string, touched: readonly Touched[], isUndone: boolean): void {
    this.recorded.set(factId, { touched, isUndone });
  }

  /** Takes in a fact that was accepted, with its changes. */
  commit(fact: Fact, changes: readonly Change[]): void {
    for (const change of changes) {
      if (change.after) this.put(change.kind, change.after);
      else this.tables[change.kind].delete(change.id);
    }
    this.recorded.set(fact.id, {
      touched: changes.map(({ kind, id, before }) => ({ kind, id, before })),
      isUndone: false,
    });
    if (fact.type === 'undone') {
      const { factId } = fact.payload;
      const taken = this.recorded.get(factId);
      if (taken) this.recorded.set(factId, { ...taken, isUndone: true });
    }
  }

  private countPart({ id, unitId }: Part): void {
    const known = this.partIds.get(unitId);
    if (known) known.add(id);
    else this.partIds.set(unitId, new Set([id]));
  }

  private units(): Unit[] {
    return [...this.tables.unit.values()];
  }
}
