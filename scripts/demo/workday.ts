/** A clock that only runs in working hours, 08:00 to 16:30 on weekdays, and never past the present. */
export class Workday {
  constructor(
    private at: Date,
    private readonly present: Date,
  ) {}

  /** Moves on and says what time it is then. */
  pass(minutes: number): Date {
    this.at = new Date(this.at.getTime() + minutes * 60_000);
    const minuteOfDay = this.at.getUTCHours() * 60 + this.at.getUTCMinutes();
    if (minuteOfDay > 16.5 * 60) this.startOfDay(1);
    while (this.at.getUTCDay() === 0 || this.at.getUTCDay() === 6) this.startOfDay(1);
    if (this.at > this.present) this.at = new Date(this.present);
    return new Date(this.at);
  }

  /** Goes to the start of a later day, if it is later. */
  jumpTo(day: Date): void {
    if (day > this.at) this.at = new Date(day);
    this.at.setUTCHours(8, 0, 0, 0);
    this.pass(0);
  }

  private startOfDay(daysOn: number): void {
    this.at.setUTCDate(this.at.getUTCDate() + daysOn);
    this.at.setUTCHours(8, 5, 0, 0);
  }
}
