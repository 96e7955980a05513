import type { Unit } from '@/core/entities/entities';
import type { Reserve } from '@/core/matchPlan/problem';
import type { Model } from '@/core/procedure/model';
import type { Grade, SaleGrade } from '@/core/shared/grades';
import type { ShopKnowledge } from '@/core/triage/knowledge';
import type { PurchaseOffer } from './offers';

/** Parts on the shelf that nobody reserved, by what makes one worth as much as another. */
export interface StockLine {
  readonly interchange: string;
  readonly grade: SaleGrade;
  readonly count: number;
  /** Of assemblies that bring something. */
  readonly whole?: { readonly modelId: string; readonly carries: readonly string[] };
}

/** A part that is kept for one of the units: on the shelf, or on its way there. */
export interface KeptForUnit {
  readonly tag: string;
  readonly for: string;
  readonly interchange: string;
  /** null where it is not graded yet. */
  readonly grade: Grade | null;
  readonly isOnShelf: boolean;
  readonly whole?: StockLine['whole'];
}

/** What the shop has, and what it knows, when a plan is made. */
export interface MatchStock {
  /** Units that are still free to become anything: identified at Triage, builds without a sheet, donors that nobody began. */
  readonly units: readonly Unit[];
  /** At the shop's prices. */
  readonly models: readonly Model[];
  readonly stock: readonly StockLine[];
  readonly knowledge: ShopKnowledge;
  /** Grades of parts that are set aside already, by their ids. */
  readonly gradeOf: Readonly<Record<string, Grade>>;
  /** Where parts can be bought; a class without one is bought at the house's factor. */
  readonly offers: readonly PurchaseOffer[];
  readonly kept: readonly KeptForUnit[];
  /** Donors on a bench whose parts, or some of them, are promised and not out yet: by their parts, the tags that get them. */
  readonly underWay: readonly { readonly unit: Unit; readonly promised: Unit['promised'] }[];
  /** Parts of a class that stay on the shelf. */
  readonly reserves: readonly Reserve[];
  /** Serials that were reported lost, in plain letters. */
  readonly lost: ReadonlySet<string>;
}
