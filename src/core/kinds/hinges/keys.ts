import { keyForm } from '../../part/index.js';

const form = keyForm('hinge/*front/:number');

/** The key under which a hinge is selected: both its marks, on the door and on the case, carry it. */
export function hingeKey(frontKey: string, at: number): string {
  return form.of({ number: at + 1, front: frontKey });
}

/** The front and number a hinge key stands for; undefined for the keys of parts. */
export function hingeOfKey(key: string | null): { frontKey: string; at: number } | undefined {
  const found = form.read(key);
  return found && { frontKey: found.front, at: Number(found.number) - 1 };
}
