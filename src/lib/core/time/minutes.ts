/** Minutes as one would say them: `50 min`, `2 h 05`. A part of a minute is one. */
export function minutesInWords(minutes: number): string {
  const whole = Math.ceil(minutes);
  return whole < 60 ? `${whole} min` : `${Math.floor(whole / 60)} h ${String(whole % 60).padStart(2, '0')}`;
}
