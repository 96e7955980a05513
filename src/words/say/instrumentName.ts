import type { Speaker } from '@/core/instruments/message';
import * as words from '@/words/catalogue/instruments';

export const instrumentNames: Readonly<Record<Speaker, string>> = {
  analyser: words.analyser(),
  calliper: words.calliper(),
  'flatness-gauge': words.flatnessGauge(),
  'surface-probe': words.surfaceProbe(),
  'torque-driver': words.torqueDriver(),
  'sound-level': words.soundLevel(),
  'leak-tester': words.leakTester(),
  scale: words.scale(),
  screen: words.testPage(),
  scanner: words.scanner(),
};
