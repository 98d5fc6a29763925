const STEP_S = 0.5;

/** Plays a loudness along the time, as the rush of air through a fan, or as a click where it is loud. */
export function soundOf(loud: readonly number[], clicks: boolean): void {
  const audio = new AudioContext();
  const seconds = loud.length * STEP_S;
  const noise = audio.createBuffer(1, audio.sampleRate * seconds, audio.sampleRate);
  const samples = noise.getChannelData(0);
  for (let i = 0; i < samples.length; i++) samples[i] = 2 * Math.random() - 1;
  const source = new AudioBufferSourceNode(audio, { buffer: noise });
  const air = new BiquadFilterNode(audio, { type: 'lowpass', frequency: clicks ? 4000 : 700 });
  const gain = new GainNode(audio, { gain: 0 });
  loud.forEach((l, i) => {
    const at = audio.currentTime + i * STEP_S;
    if (!clicks || l < 1) gain.gain.linearRampToValueAtTime(0.3 * l * l, at);
    else {
      // A relay is heard for a few hundredths of a second.
      gain.gain.setValueAtTime(0.6, at);
      gain.gain.exponentialRampToValueAtTime(0.001, at + 0.03);
    }
  });
  source.connect(air).connect(gain).connect(audio.destination);
  source.onended = () => void audio.close();
  source.start();
}
