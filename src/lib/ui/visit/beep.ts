/** Rings when a timer has run out: three short tones, loud enough for a workshop, silent where the device does not allow it. */
export function beep(): void {
  try {
    const audio = new AudioContext();
    for (const k of [0, 1, 2]) {
      const tone = audio.createOscillator();
      const loud = audio.createGain();
      tone.frequency.value = 880;
      loud.gain.value = 0.25;
      tone.connect(loud).connect(audio.destination);
      tone.start(audio.currentTime + k * 0.35);
      tone.stop(audio.currentTime + k * 0.35 + 0.2);
    }
    setTimeout(() => void audio.close(), 1500);
    navigator.vibrate?.([200, 120, 200]);
  } catch {
    // A page that was never touched may not make a sound; the timer is seen all the same.
  }
}

/** Minutes and seconds, `4:05`; over the hour, `1:04:05`. Below nothing: since it ran out. */
export function clockWords(seconds: number): string {
  const s = Math.abs(Math.round(seconds));
  const h = Math.floor(s / 3600);
  const m = Math.floor(s / 60) % 60;
  const two = (n: number) => String(n).padStart(2, '0');
  return h > 0 ? `${h}:${two(m)}:${two(s % 60)}` : `${m}:${two(s % 60)}`;
}
