/** Words at the beginning of a sentence or a label. */
export function capital(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1);
}
