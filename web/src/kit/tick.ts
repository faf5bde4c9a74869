/** A short dry tick when a reading is kept: heard across a workshop, and nothing to look at. */
export function tick(): void {
  if (typeof AudioContext === 'undefined') return;
  try {
    const audio = new AudioContext();
    const tone = audio.createOscillator();
    const loud = audio.createGain();
    tone.type = 'square';
    tone.frequency.value = 1_800;
    loud.gain.setValueAtTime(0.12, audio.currentTime);
    loud.gain.exponentialRampToValueAtTime(0.0001, audio.currentTime + 0.05);
    tone.connect(loud).connect(audio.destination);
    tone.start();
    tone.stop(audio.currentTime + 0.06);
    tone.onended = () => void audio.close();
  } catch {
    // a machine with no sound keeps the reading all the same
  }
}
