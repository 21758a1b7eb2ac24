/** Words at the beginning of a sentence or a label. */
export function capital(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1);
}

/** A name within a sentence. */
export function within(name: string): string {
  return name.charAt(0).toLowerCase() + name.slice(1);
}
