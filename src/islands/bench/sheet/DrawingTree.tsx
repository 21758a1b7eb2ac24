import { type KeyboardEvent, useMemo, useRef, useState } from 'react';
import { type TreeEntry, treeOf } from '../../../core/commands/index.js';
import type { SolvedCabinet } from '../../../core/solve/index.js';
import { useBench } from '../context.js';

interface TreeLine {
  readonly path: string;
  readonly level: number;
  readonly told: TreeEntry;
  readonly open: boolean;
}

/**
 * The drawing as a tree to be read out or walked by keys: cabinet, openings, fronts, parts, holes, with their sizes. It is
 * seen while it has the focus; what is entered is selected everywhere.
 */
export function DrawingTree({ solved }: { solved: SolvedCabinet }) {
  const style = useBench((state) => state.job.display);
  const selected = useBench((state) => state.selected);
  const select = useBench((state) => state.select);
  const [open, setOpen] = useState<ReadonlySet<string>>(new Set(['0']));
  const [at, setAt] = useState('0');
  const [wanted, setWanted] = useState(false);
  const list = useRef<HTMLDivElement>(null);
  const tree = useMemo(() => (wanted ? treeOf(solved, style) : undefined), [wanted, solved, style]);
  const lines = useMemo(() => (tree ? linesOf(tree, open) : []), [tree, open]);
  const here = lines.find(({ path }) => path === at) ?? lines[0];
  const go = (line: TreeLine | undefined) => {
    if (!line) return;
    setAt(line.path);
    requestAnimationFrame(() => list.current?.querySelector<HTMLElement>(`[data-path="tree-${line.path}"]`)?.focus());
  };
  const turn = (path: string, shown: boolean) => {
    const next = new Set(open);
    if (shown) next.add(path);
    else next.delete(path);
    setOpen(next);
  };
  const onKey = (event: KeyboardEvent) => {
    if (!here) return;
    const index = lines.indexOf(here);
    const parent = here.path.replace(/\.[^.]*$/, '');
    const acts: Record<string, () => void> = {
      ArrowDown: () => go(lines[index + 1]),
      ArrowUp: () => go(lines[index - 1]),
      Home: () => go(lines[0]),
      End: () => go(lines.at(-1)),
      ArrowRight: () => (here.open || here.told.within.length === 0 ? go(lines[index + 1]) : turn(here.path, true)),
      ArrowLeft: () => (here.open ? turn(here.path, false) : go(lines.find(({ path }) => path === parent))),
      Enter: () => select(here.told.key ?? null),
      ' ': () => select(here.told.key ?? null),
    };
    const act = acts[event.key];
    if (!act) return;
    event.preventDefault();
    event.stopPropagation();
    act();
  };
  return (
    <div
      ref={list}
      role="tree"
      aria-label="The drawing as a tree"
      className="sheet absolute top-2 left-2 z-20 max-h-[70%] w-96 overflow-y-auto p-2 not-focus-within:sr-only"
      onKeyDown={onKey}
      onFocus={() => setWanted(true)}
    >
      {lines.length === 0 ? (
        <div role="treeitem" tabIndex={0} aria-expanded={false} aria-selected={false}>
          {solved.cabinet.number} {solved.cabinet.name}
        </div>
      ) : (
        lines.map(({ path, level, told, open: unfolded }) => (
          // biome-ignore lint/a11y/useKeyWithClickEvents: the tree takes the keys for all of them
          <div
            key={path}
            role="treeitem"
            data-path={`tree-${path}`}
            tabIndex={path === here?.path ? 0 : -1}
            aria-level={level}
            aria-selected={told.key !== undefined && told.key === selected}
            {...(told.within.length > 0 ? { 'aria-expanded': unfolded } : {})}
            style={{ paddingLeft: `${(level - 1) * 1}rem` }}
            className="cursor-pointer py-0.5 leading-snug outline-none focus-visible:bg-pencil-pale aria-selected:font-bold"
            onClick={() => {
              setAt(path);
              select(told.key ?? null);
            }}
          >
            {told.name}
            <span className="text-ink-soft">{told.said ? `, ${told.said}` : ''}</span>
          </div>
        ))
      )}
    </div>
  );
}

function linesOf(root: TreeEntry, open: ReadonlySet<string>): TreeLine[] {
  const walk = (told: TreeEntry, path: string, level: number): TreeLine[] => {
    const unfolded = open.has(path);
    return [
      { path, level, told, open: unfolded },
      ...(unfolded ? told.within.flatMap((each, at) => walk(each, `${path}.${at}`, level + 1)) : []),
    ];
  };
  return walk(root, '0', 1);
}
