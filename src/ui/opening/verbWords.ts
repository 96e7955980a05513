import { screwName } from '@/core/procedure/drives';
import type { LogEntry, Verb } from '@/core/opening/openingLog';
import * as texts from '@/words/catalogue/opening';

/** What each verb is called on the way out and on the way back. */
export const verbWords: Readonly<Record<Verb, Readonly<Record<LogEntry['leg'], string>>>> = {
  take: { out: texts.takeOut(), back: texts.takeBack() },
  unscrew: { out: texts.unscrewOut(), back: texts.unscrewBack() },
  unplug: { out: texts.unplugOut(), back: texts.unplugBack() },
  unlock: { out: texts.unlockOut(), back: texts.unlockBack() },
  unclip: { out: texts.unclipOut(), back: texts.unclipBack() },
  peel: { out: texts.peelOut(), back: texts.peelBack() },
  cut: { out: texts.cutOut(), back: texts.cutBack() },
  slide: { out: texts.slideOut(), back: texts.slideBack() },
  warm: { out: texts.warmOut(), back: texts.warmBack() },
  look: { out: texts.lookOut(), back: texts.lookBack() },
};

/** The next step back, as the log of the way out has it. */
export const sayNextBack = ({ verb, thing, screws }: Pick<LogEntry, 'verb' | 'thing' | 'screws'>): string =>
  texts.nextBack({
    verb: verbWords[verb].back,
    things: [thing, ...screws.map((screw) => texts.screwsOfKind({ count: screw.count, screw: screwName(screw) }))],
  });
