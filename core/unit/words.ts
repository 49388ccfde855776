/** A name as it stands in the middle of a sentence: "High clutch" → "high clutch", "S2" stays. */
export function midSentence(name: string): string {
  return /^[A-Z][a-z]/.test(name) ? name[0]!.toLowerCase() + name.slice(1) : name;
}
