import type { DeviceTest, Finding } from '@/core/procedure/vocabulary';
import type { Chance } from '@/core/shared/chance';
import { drawBeta } from '@/core/statistics/drawBeta';
import type { GroupCount } from '@/core/statistics/strayWeight';
import { drawShare } from '@/core/triage/drawRange';
import type { ShopKnowledge } from '@/core/triage/knowledge';
import { unknownMade, type Belief } from '@/core/triage/knownLooks';
import { unknownTest } from '@/core/triage/knownYields';
import type { SeenInParcel } from '@/core/triage/seenInParcel';
import type { Harvest } from '@/core/triage/valueDonor';
import { partKey } from '@/core/yields/parcelOutcomes';
import type { LookOdds } from './looks';

/** A share of this parcel: what is believed of the shop's, how far parcels stray from it, and what this one has shown. */
interface ShareHere {
  readonly known: Belief;
  readonly alike: number;
  readonly seen: GroupCount | undefined;
}

export interface Beliefs {
  readonly sound: (test: DeviceTest) => ShareHere;
  readonly made: (test: DeviceTest) => ShareHere;
  readonly found: (finding: Finding) => ShareHere;
  readonly yieldOf: (model: string, entry: Harvest) => ShareHere;
}

export function believed({ known, looks, alike }: ShopKnowledge, seen: SeenInParcel): Beliefs {
  const of = (belief: Belief, weight: number, own?: GroupCount): ShareHere => ({
    known: belief,
    alike: weight,
    seen: own,
  });
  return {
    sound: (test) => of(known.tests[test] ?? unknownTest, alike.units, seen.sound[test]),
    // How closely units are looked at is the house's, whoever they come from.
    made: (test) => of(looks.made[test] ?? unknownMade, Infinity),
    found: (finding) => of(looks.marks[finding] as Belief, alike.units, seen.found[finding]),
    yieldOf: (modelId, { part, known: own }) => of(own, alike.parts, seen.parts[partKey({ modelId, partRef: part })]),
  };
}

/** The middle of what a share of this parcel is expected to be. */
function middleOf({ known: { share }, alike, seen }: ShareHere): number {
  return seen && Number.isFinite(alike) ? (alike * share + seen.good) / (alike + seen.sought) : share;
}

/** A share of this parcel as it could be: the shop's drawn, and then how far the parcel strays from that. */
function drawHere({ known, alike, seen }: ShareHere, chance: Chance): number {
  const share = drawShare(known, chance);
  if (!Number.isFinite(alike) || share <= 0 || share >= 1) return share;
  const { good, sought } = seen ?? { good: 0, sought: 0 };
  return drawBeta(alike * share + good, alike * (1 - share) + sought - good, chance);
}

export const believedOdds = ({ sound, made, found }: Beliefs): LookOdds => ({
  soundOf: (test) => middleOf(sound(test)),
  madeOf: (test) => middleOf(made(test)),
  foundOf: (finding) => middleOf(found(finding)),
});

/** What is drawn once for a whole parcel: units of one parcel come from one hand. */
export interface ParcelDraw extends LookOdds {
  readonly chance: Chance;
  readonly yieldOf: (model: string, entry: Harvest) => number;
}

/** Shares of one draw of the parcel, each drawn when it is first asked for. */
export function parcelDraw({ sound, made, found, yieldOf }: Beliefs, chance: Chance): ParcelDraw {
  const drawn = new Map<string, number>();
  const once = (key: string, known: ShareHere): number => {
    const share = drawn.get(key) ?? drawHere(known, chance);
    drawn.set(key, share);
    return share;
  };
  return {
    chance,
    soundOf: (test) => once(`sound ${test}`, sound(test)),
    madeOf: (test) => once(`made ${test}`, made(test)),
    foundOf: (finding) => once(`found ${finding}`, found(finding)),
    yieldOf: (model, entry) => once(`yield ${model} ${entry.part}`, yieldOf(model, entry)),
  };
}
