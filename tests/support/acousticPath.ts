import type { Page } from 'puppeteer-core';

/**
 * Air between the speaker and the microphone of a browser that has neither: whatever is played is heard, at a tenth, with a hiss.
 *
 * @param works  whether each of the two is whole: a dead speaker plays into nothing, a dead microphone hears nothing at all
 */
export async function acousticPath(page: Page, works: { speaker: boolean; microphone: boolean }): Promise<void> {
  await page.evaluateOnNewDocument(({ speaker, microphone }) => {
    let room: { readonly context: AudioContext; readonly air: GainNode; readonly ear: MediaStreamAudioDestinationNode };
    const roomOf = (context: AudioContext) => {
      if (room?.context === context) return room;
      const air = context.createGain();
      air.gain.value = 0.1;
      const hiss = context.createBufferSource();
      hiss.buffer = context.createBuffer(1, context.sampleRate, context.sampleRate);
      const samples = hiss.buffer.getChannelData(0);
      for (let at = 0; at < samples.length; at += 1) samples[at] = Math.sin(at * at) * 0.002;
      hiss.loop = true;
      hiss.start();
      const ear = context.createMediaStreamDestination();
      if (microphone) {
        plug.call(air, ear);
        plug.call(hiss, ear);
      }
      room = { context, air, ear };
      return room;
    };
    const plug = AudioNode.prototype.connect as (this: AudioNode, to: AudioNode) => AudioNode;
    AudioNode.prototype.connect = function connect(this: AudioNode, to: AudioNode): AudioNode {
      if (to === this.context.destination && speaker) plug.call(this, roomOf(this.context as AudioContext).air);
      return plug.call(this, to);
    } as typeof AudioNode.prototype.connect;
    const open = window.AudioContext;
    window.AudioContext = class extends open {
      constructor() {
        super();
        opened.push(this);
      }
    };
    const opened: AudioContext[] = [];
    navigator.mediaDevices.getUserMedia = async () => {
      const latest = opened.at(-1);
      if (!latest) throw new Error('acousticPath: nothing plays');
      return roomOf(latest).ear.stream;
    };
  }, works);
}
