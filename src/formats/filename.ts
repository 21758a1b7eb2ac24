/** A file name that any system takes: "Reading room, east wall" becomes `reading-room-east-wall`. */
export function fileNameFor(name: string): string {
  const plain = name
    .normalize('NFKD')
    .replace(/[^\w\s-]/g, '')
    .trim()
    .replace(/[\s_-]+/g, '-')
    .toLowerCase();
  return plain.slice(0, 60) || 'job';
}
