import type { Part, Unit } from '@/core/entities/entities';
import type { Person } from '@/core/people/roles';
import type { Model } from '@/core/procedure/model';
import type { PlanGround } from '@/core/teardown/plan/knowledgeOf';
import type { BenchView } from '@/services/bench/readBench';
import type { Meanwhile } from '@/services/bench/readMeanwhile';
import type { Shop } from '@/ui/facts/ShopProvider';

/** What every part of the bench works with. */
export interface BenchProps {
  readonly unit: Unit;
  readonly model: Model;
  readonly parts: readonly Part[];
  readonly shop: Shop;
  readonly person: Person;
  readonly leads: BenchView['leads'];
  readonly timed: BenchView['timed'];
  readonly bits: BenchView['bits'];
  readonly unrehearsed: BenchView['unrehearsed'];
  readonly lacksCertificate: BenchView['lacksCertificate'];
  /** Other units to take up while this one waits. */
  readonly meanwhile: readonly Meanwhile[];
  /** What the model's parts are worth today, and how they and its joints have behaved. */
  readonly ground: PlanGround;
}
