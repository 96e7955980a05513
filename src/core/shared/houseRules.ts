import { startingGradingRules, type GradingRules } from './gradingRules';
import { startingSchools, type Schools } from './schools';
import type { SaleGrade } from './grades';

/** Names the document of house rules and its version. */
export const houseRulesFormat = 'plucky-parcel/house-rules@1';

export const screwKeepings = ['tray', 'mat', 'piles'] as const;
/** How screws are kept: in the cups of a tray, on a mat at the places where they sat, or a pile for each kind. */
export type ScrewKeeping = (typeof screwKeepings)[number];

/** What the shop is called, and how it writes money, numbers and times. */
export interface ShopProfile {
  readonly name: string;
  /** Where it is, on the papers that leave it; null when it is not said. */
  readonly address: string | null;
  /** ISO 4217. */
  readonly currency: string;
  /** BCP 47: numbers, lists, dates and plurals follow it. */
  readonly language: string;
  /** IANA: days begin and end by it. */
  readonly timeZone: string;
}

/** Who a paper is from: the shop, and where it is if that is said. */
export const senderOf = ({ name, address }: Pick<ShopProfile, 'name' | 'address'>): string =>
  address === null ? name : `${name}, ${address}`;

/** Fixtures that may run out: where a wait is on one of these, the shop says how many it has. */
export const fixtureKinds = ['clamp', 'hot plate', 'charger', 'analyser'] as const;
export type FixtureKind = (typeof fixtureKinds)[number];

/** How the shop works: its prices and limits. Stored with a version; what was decided by one version stays decided. */
export interface HouseRules extends GradingRules {
  /** From 1; a change makes the next one. */
  readonly version: number;
  readonly shop: ShopProfile;
  /** What a minute of attended work costs. */
  readonly labourCentsPerMinute: number;
  /** Share of a fair price that an untested or faulty unit fetches as it is. */
  readonly asIsShare: number;
  /** What it costs to have a unit recycled. */
  readonly recycleCents: number;
  /** What a part that is bought costs, against what one from the shelf is worth. */
  readonly purchaseFactor: number;
  /** Minutes to take up another tool, and to turn the unit over. */
  readonly toolChangeMinutes: number;
  readonly turnMinutes: number;
  /** Minutes to lay one unit aside and take up another. */
  readonly moveMinutes: number;
  /** Minutes to give a unit to somebody more practised; null when there is nobody. */
  readonly handOverMinutes: number | null;
  /** Where screws go, unless a sheet is started otherwise. */
  readonly screwsIn: ScrewKeeping;
  /** Cups of the tray. */
  readonly trayCups: number;
  /** Steps for certified people are open only to who has passed a rehearsal of them. */
  readonly isRehearsalAsked: boolean;
  /** Steps for certified people are open only to people whose certificate is current. */
  readonly isCertificateAsked: boolean;
  /** What the air of the workshop is taken to be, for heat plans. */
  readonly roomCelsius: number;
  /** How sound parts tend to be graded; the shares sum to 1. */
  readonly gradeMix: Readonly<Record<SaleGrade, number>>;
  /** Shares of units that are released a grade better, and a grade worse, than their parts and marks let expect. */
  readonly saleGradeShift: { readonly better: number; readonly worse: number };
  /** Share of its worth that a part loses in a month on the shelf, and below which it does not fall. */
  readonly monthlyLoss: number;
  readonly surplusShare: number;
  readonly schools: Schools;
  /** Tools and bits that models ask for and this shop has not; by their names. */
  readonly missingTools: readonly string[];
  /** How many there are of each; null when they never run out. */
  readonly fixtures: Readonly<Record<FixtureKind, number | null>>;
  /**
   * Many of the same sell for less: of one model, variant and grade, each beyond so many in one plan brings so much of its price less, and each
   * beyond as many again as much less once more; null where any number sells at its price.
   */
  readonly manyAlike: { readonly after: number | null; readonly lessShare: number };
  /** What is lost of a sale: a share of the price, and packing and post of each unit. */
  readonly selling: { readonly feeShare: number; readonly perUnitCents: number };
  /** When a sign-in is over: after so long without a press, and so long after it began. */
  readonly sessions: { readonly idleMinutes: number; readonly longestHours: number };
  /** The paper in the label printer. */
  readonly label: { readonly widthMm: number; readonly heightMm: number };
}

/** What a sheet is planned by. A sheet keeps the rules it was started with. */
export type SheetRules = Pick<
  HouseRules,
  'version' | 'toolChangeMinutes' | 'turnMinutes' | 'trayCups' | 'screwsIn' | 'schools' | 'missingTools'
>;

export const sheetRulesOf = ({
  version,
  toolChangeMinutes,
  turnMinutes,
  trayCups,
  screwsIn,
  schools,
  missingTools,
}: HouseRules): SheetRules => ({
  version,
  toolChangeMinutes,
  turnMinutes,
  trayCups,
  screwsIn,
  schools,
  missingTools,
});

/** The rules a shop begins with. */
export const startingHouseRules: HouseRules = {
  version: 1,
  shop: { name: 'Our shop', address: null, currency: 'EUR', language: 'en-GB', timeZone: 'UTC' },
  labourCentsPerMinute: 55,
  asIsShare: 0.3,
  recycleCents: 40,
  purchaseFactor: 1.6,
  toolChangeMinutes: 0.2,
  turnMinutes: 0.3,
  moveMinutes: 0.15,
  handOverMinutes: 3,
  screwsIn: 'tray',
  trayCups: 24,
  isRehearsalAsked: true,
  isCertificateAsked: false,
  roomCelsius: 22,
  gradeMix: { A: 0.25, B: 0.45, C: 0.22, D: 0.08 },
  saleGradeShift: { better: 0.15, worse: 0.25 },
  monthlyLoss: 0.04,
  surplusShare: 0.25,
  schools: startingSchools,
  missingTools: [],
  ...startingGradingRules,
  fixtures: { clamp: null, 'hot plate': null, charger: null, analyser: null },
  manyAlike: { after: null, lessShare: 0.03 },
  selling: { feeShare: 0, perUnitCents: 0 },
  sessions: { idleMinutes: 240, longestHours: 14 },
  label: { widthMm: 70, heightMm: 36 },
};
