/** The key under which a hinge is selected: both its marks, on the door and on the case, carry it. */
export function hingeKey(frontKey: string, at: number): string {
  return `hinge/${frontKey}/${at + 1}`;
}

/** The front and number a hinge key stands for; undefined for the keys of parts. */
export function hingeOfKey(key: string | null): { frontKey: string; at: number } | undefined {
  const found = /^hinge\/(.+)\/(\d+)$/.exec(key ?? '');
  return found ? { frontKey: found[1] as string, at: Number(found[2]) - 1 } : undefined;
}
