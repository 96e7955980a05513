/** Prices and limits of the house. One set for now; the House rules screen will make them editable. */
export interface HouseRules {
  /** What a minute of attended work costs. */
  readonly labourCentsPerMinute: number;
  /** Share of a fair price that an untested or faulty unit fetches as it is. */
  readonly asIsShare: number;
  /** What it costs to have a unit recycled. */
  readonly recycleCents: number;
  /** Minutes to take up another tool, and to turn the unit over. */
  readonly toolChangeMinutes: number;
  readonly turnMinutes: number;
}

export const startingHouseRules: HouseRules = {
  labourCentsPerMinute: 55,
  asIsShare: 0.3,
  recycleCents: 40,
  toolChangeMinutes: 0.2,
  turnMinutes: 0.3,
};
