import { type Act, type DecidedPart, type Edit, type IdMaker, type PartField, pathTo } from '../../decisions/index.js';
import type { SolvedCabinet } from '../../solve/index.js';

/** What is decided of a part by itself; undefined while nothing is. */
export function decisionOf({ cabinet }: SolvedCabinet, key: string): DecidedPart | undefined {
  return cabinet.parts?.find(({ part }) => part === key);
}

/** Decides one thing of single parts, or leaves it to the rules again; a part nothing is decided of drops out of the list. */
export function decideParts<F extends PartField>(
  solved: SolvedCabinet,
  keys: readonly string[],
  label: string,
  field: F,
  value: DecidedPart[F] | undefined,
  ids: IdMaker,
): Act {
  const { id: cabinetId } = solved.cabinet;
  const edits = keys.flatMap((key): Edit[] => {
    const known = decisionOf(solved, key);
    if (!known) {
      if (value === undefined) return [];
      return [{ path: pathTo.parts(cabinetId), insert: { id: ids('p'), part: key, [field]: value } as DecidedPart }];
    }
    const { id, part, [field]: _was, ...rest } = known;
    const nothing = value === undefined && Object.keys(rest).length === 0;
    return [
      nothing
        ? { path: pathTo.part(cabinetId, known.id), value: undefined }
        : { path: pathTo.partField(cabinetId, known.id, field), value },
    ];
  });
  return { label, edits };
}

/** Lets go of all that is decided of single parts. */
export function leaveToRules(solved: SolvedCabinet, keys: readonly string[], label: string): Act {
  const { id: cabinetId } = solved.cabinet;
  const edits = keys.flatMap((key): Edit[] => {
    const known = decisionOf(solved, key);
    return known ? [{ path: pathTo.part(cabinetId, known.id), value: undefined }] : [];
  });
  return { label, edits };
}
