import type { Tone } from '@/core/selfTest/reads';

/** A small speaker plays nothing worth hearing below 300 Hz; steps of about a third up to where old ears end. */
export const sweepHertz = [300, 400, 530, 700, 940, 1250, 1650, 2200, 2900, 3900, 5200, 6900] as const;

const toneMs = 320;
const settleMs = 200;
const quietMs = 400;
/** What a band that holds nothing says. */
const nothingDb = -200;

const pause = (ms: number) => new Promise((done) => setTimeout(done, ms));

/**
 * Plays the sweep and listens to it, tone by tone, each in its own band.
 *
 * @param onTone  told before each tone, counted from 1
 * @returns no tones where the browser gives no microphone: the sweep was played, and nobody listened
 */
export async function playSweep(onTone: (at: number) => void): Promise<readonly Tone[]> {
  const audio = new AudioContext();
  const stream = await navigator.mediaDevices
    ?.getUserMedia({ audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false } })
    .catch(() => undefined);
  try {
    await audio.resume();
    const ear = stream ? listen(audio, stream) : null;
    const quiet = ear ? await quietOf(ear) : [];
    const tones: Tone[] = [];
    for (const [at, hertz] of sweepHertz.entries()) {
      onTone(at + 1);
      const end = play(audio, hertz);
      await pause(settleMs);
      const heardDb = ear?.(hertz) ?? nothingDb;
      await pause(toneMs - settleMs);
      end();
      if (ear) tones.push({ hertz, quietDb: quiet[at] ?? nothingDb, heardDb });
    }
    return tones;
  } finally {
    for (const track of stream?.getTracks() ?? []) track.stop();
    await audio.close();
  }
}

/** A tone that begins and ends softly: a click is in every band. */
function play(audio: AudioContext, hertz: number): () => void {
  const tone = audio.createOscillator();
  const level = audio.createGain();
  tone.frequency.value = hertz;
  level.gain.setValueAtTime(0, audio.currentTime);
  level.gain.linearRampToValueAtTime(0.8, audio.currentTime + 0.03);
  tone.connect(level).connect(audio.destination);
  tone.start();
  return () => {
    level.gain.linearRampToValueAtTime(0, audio.currentTime + 0.03);
    tone.stop(audio.currentTime + 0.05);
  };
}

type Ear = (hertz: number) => number;

/** How loud a band is: the loudest bin within a sixteenth of its middle, dB. */
function listen(audio: AudioContext, stream: MediaStream): Ear {
  const spectrum = audio.createAnalyser();
  spectrum.fftSize = 4096;
  spectrum.smoothingTimeConstant = 0;
  audio.createMediaStreamSource(stream).connect(spectrum);
  const bins = new Float32Array(spectrum.frequencyBinCount);
  const width = audio.sampleRate / spectrum.fftSize;
  return (hertz) => {
    spectrum.getFloatFrequencyData(bins);
    const from = Math.floor((hertz * 15) / 16 / width);
    const to = Math.ceil((hertz * 17) / 16 / width);
    return Math.round(Math.max(nothingDb, ...bins.subarray(from, to + 1)) * 10) / 10;
  };
}

/** What each band holds while nothing is played, the loudest of a few looks: a door that slams now is no tone later. */
async function quietOf(ear: Ear): Promise<readonly number[]> {
  let loudest: readonly number[] = sweepHertz.map(() => nothingDb);
  for (let looks = 0; looks < 4; looks += 1) {
    await pause(quietMs / 4);
    loudest = sweepHertz.map((hertz, at) => Math.max(loudest[at] ?? nothingDb, ear(hertz)));
  }
  return loudest;
}
