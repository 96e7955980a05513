import { defectsOf } from '@/core/selfTest/defects';
import { coverageOf, isDark, isHeard } from '@/core/selfTest/judgeSelfTest';
import type { SelfRead } from '@/core/selfTest/reads';
import { number } from '@/words/format';
import * as texts from '@/words/catalogue/selfTest';

const named = { line: texts.defectLine(), patch: texts.defectPatch(), burn: texts.defectBurn() } as const;

/** What the page on a unit read, in a sentence. */
export function sayRead(read: SelfRead): string {
  switch (read.is) {
    case 'picture': {
      const kinds = defectsOf(read.marks).map(({ kind }) => kind);
      const others = (['line', 'patch', 'burn'] as const).filter((kind) => kinds.includes(kind));
      return texts.saysPicture({
        dots: kinds.filter((kind) => kind === 'dead' || kind === 'stuck').length,
        others: others.length > 0 ? 'some' : 'none',
        named: others.map((kind) => named[kind]),
        shown: read.shown.length,
      });
    }
    case 'touch':
      return texts.saysTouch({
        coverage: number(coverageOf(read.columns * read.rows, read.missed.length)),
        fingers: read.fingers,
      });
    case 'sound':
      return read.tones.length === 0
        ? texts.saysByEar({ ear: read.byEar ?? 'nothing' })
        : texts.saysSound({
            heard: read.tones.filter(isHeard).length,
            count: read.tones.length,
            ear: read.byEar ?? 'none',
          });
    case 'cameras':
      return texts.saysCameras({
        shots: read.shots.length,
        good: read.shots.filter((shot) => shot.byEye === 'clean' && !isDark(shot)).length,
      });
    case 'vibration':
      return read.shake === null
        ? texts.saysByHand({ felt: read.byHand ?? 'nothing' })
        : texts.saysShake({ shake: number(read.shake) });
    case 'keys':
      return texts.saysKeys({ pressed: read.pressed, dead: read.dead.length });
  }
}
