/** A length near this one that somebody could have typed: one digit that counts. */
export function likelyLength(length: number): number {
  const power = 10 ** Math.floor(Math.log10(length));
  return Math.max(1, Math.round(length / power)) * power;
}
