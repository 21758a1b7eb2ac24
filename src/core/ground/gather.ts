/**
 * What each of a list gives, one thing or several, as one list: what `flatMap` does, which Node 20 does some twenty
 * times slower. For places that a solved cabinet passes a thousand times; elsewhere `flatMap` reads better.
 */
export function gather<T, R>(list: readonly T[], give: (each: T, at: number) => R | readonly R[]): R[] {
  const all: R[] = [];
  for (let at = 0; at < list.length; at += 1) {
    const given = give(list[at] as T, at);
    if (!isList(given)) all.push(given);
    else for (const one of given) all.push(one);
  }
  return all;
}

const isList = <R>(given: R | readonly R[]): given is readonly R[] => Array.isArray(given);
