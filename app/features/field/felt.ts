/** Milliseconds that a press is felt. */
const SHORT = 18;

let sound: AudioContext | undefined;

/** A press that is felt, or heard where the device cannot be felt: one counts with the eyes on the animals. */
export function felt(low = false): void {
  if (typeof navigator !== 'undefined' && 'vibrate' in navigator && navigator.vibrate(SHORT)) return;
  if (typeof AudioContext === 'undefined') return;
  sound ??= new AudioContext();
  const tone = sound.createOscillator();
  const volume = sound.createGain();
  volume.gain.setValueAtTime(0.05, sound.currentTime);
  volume.gain.exponentialRampToValueAtTime(0.0001, sound.currentTime + 0.06);
  tone.frequency.value = low ? 330 : 660;
  tone.connect(volume).connect(sound.destination);
  tone.start();
  tone.stop(sound.currentTime + 0.06);
}
