import { plainSerial } from '@/core/shared/serials';
import type { Model } from '@/core/procedure/model';
import type { Entities, EntityKind, Unit } from './entities';
import type { BenchEvent, Touched } from './events';
import type { Change, World } from './world';

type Tables = { [K in EntityKind]: Map<string, Entities[K]> };

/** A world held in memory: for replaying the log, and for the browser to act ahead of the server. */
export class MemoryWorld implements World {
  readonly tables: Tables = { parcel: new Map(), line: new Map(), unit: new Map(), part: new Map() };
  private readonly recorded = new Map<string, { touched: readonly Touched[]; isUndone: boolean }>();

  private readonly lost = new Set<string>();

  constructor(
    private readonly models: readonly Model[],
    readonly isPast = false,
  ) {}

  find<K extends EntityKind>(kind: K, id: string): Entities[K] | undefined {
    return this.tables[kind].get(id);
  }

  findModel(id: string, version: number): Model | undefined {
    return this.models.find((model) => model.id === id && model.version === version);
  }

  countUnits(parcelId: string): number {
    return this.units().filter((unit) => unit.parcelId === parcelId).length;
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

  findRecorded(eventId: string): { readonly touched: readonly Touched[]; readonly isUndone: boolean } | undefined {
    return this.recorded.get(eventId);
  }

  /** Puts a thing in as it is, without a fact. */
  put<K extends EntityKind>(kind: K, entity: Entities[K]): void {
    this.tables[kind].set(entity.id, entity);
  }

  /** Makes it known that serials were reported lost. */
  reportLost(serials: readonly string[]): void {
    for (const serial of serials) this.lost.add(plainSerial(serial));
  }

  /** Makes a recorded fact known without applying it, so that it can be taken back. */
  remember(eventId: string, touched: readonly Touched[], isUndone: boolean): void {
    this.recorded.set(eventId, { touched, isUndone });
  }

  /** Takes in a fact that was accepted, with its changes. */
  commit(event: BenchEvent, changes: readonly Change[]): void {
    for (const change of changes) {
      if (change.after) this.put(change.kind, change.after);
      else this.tables[change.kind].delete(change.id);
    }
    this.recorded.set(event.id, {
      touched: changes.map(({ kind, id, before }) => ({ kind, id, before })),
      isUndone: false,
    });
    if (event.type === 'undone') {
      const { eventId } = (event as BenchEvent<'undone'>).payload;
      const taken = this.recorded.get(eventId);
      if (taken) this.recorded.set(eventId, { ...taken, isUndone: true });
    }
  }

  private units(): Unit[] {
    return [...this.tables.unit.values()];
  }
}
