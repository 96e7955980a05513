/** One short tone: high when it went well, low and longer when somebody must look. Silent where there is no sound. */
export function beep(went: 'well' | 'wrong'): void {
  const { AudioContext: Context } = window;
  if (!Context) return;
  try {
    const context = new Context();
    const tone = context.createOscillator();
    const volume = context.createGain();
    tone.frequency.value = went === 'well' ? 1320 : 330;
    volume.gain.value = 0.08;
    tone.connect(volume).connect(context.destination);
    tone.start();
    tone.stop(context.currentTime + (went === 'well' ? 0.07 : 0.3));
    tone.addEventListener('ended', () => void context.close());
  } catch {
    // A browser that was not touched yet allows no sound; the page says the same in words.
  }
}
