import { useThree } from '@react-three/fiber';
import { useEffect, useMemo } from 'react';
import { BoxGeometry, Color, EdgesGeometry, Matrix4, Plane, Vector3 } from 'three';
import type { Point } from '../../../core/part/index.js';
import {
  apartAt,
  motionOf,
  type Scene,
  type SceneHardware,
  type ScenePart,
  type Stage,
} from '../../../core/present/index.js';
import { type Look, openShare } from './looks.js';
import { type Paints, Solid, useHardwareGeometry } from './Solid.js';
import type { Surface, Surfaces } from './surfaces.js';

export interface ModelProps {
  readonly scene: Scene;
  readonly stages: readonly Stage[];
  readonly surfaces: Surfaces;
  readonly look: Look;
  readonly selected: string | null;
  readonly onSelect: (key: string) => void;
  readonly onToggle: (id: string) => void;
}

/** The parts and the hardware, each where it stands: shut or open, together or apart. */
export function Model({ scene, stages, surfaces, look, selected, onSelect, onToggle }: ModelProps) {
  const invalidate = useThree((state) => state.invalidate);
  const palette = usePalette();
  const shifts = useMemo(() => apartAt(stages, look.apart), [stages, look.apart]);
  const motions = useMemo(
    () =>
      new Map(
        scene.openers.map((opener) => [
          opener.id,
          new Matrix4().fromArray(motionOf(opener, openShare(look, opener.id)) as number[]),
        ]),
      ),
    [scene, look],
  );
  const planes = usePlanes(scene, look.cut);
  useEffect(() => invalidate());
  const place = (key: string | undefined, moves: string | undefined) =>
    placed(key === undefined ? undefined : shifts.get(key), moves === undefined ? undefined : motions.get(moves));
  const lit = (shows: string | undefined) => selected !== null && shows === selected;
  const chosen = scene.parts.some(({ key }) => key === selected);
  const faint = ({ key, tint }: ScenePart) => look.through && (chosen ? key !== selected : tint === 'front');
  return (
    <>
      <hemisphereLight args={[0xffffff, 0xd8d4c8, 2.7]} />
      <directionalLight position={[0.5, -1, 1.4]} intensity={0.9} />
      {scene.parts
        .filter(({ key }) => !(look.alone && chosen) || key === selected)
        .map((part) => (
          <PartSolid
            key={part.key}
            part={part}
            surface={surfaces.of.get(part.key)}
            at={place(part.key, part.moves)}
            paints={lit(part.key) ? palette.lit : palette.of(part.tint)}
            faint={faint(part)}
            planes={planes}
            onSelect={onSelect}
            onToggle={onToggle}
          />
        ))}
      {!(look.alone && chosen) &&
        scene.hardware.map((thing, at) => (
          <HardwareSolid
            key={at}
            thing={thing}
            at={place(thing.on, thing.moves)}
            paints={lit(thing.shows) ? palette.lit : palette.metal}
            planes={planes}
            onSelect={onSelect}
          />
        ))}
    </>
  );
}

function placed(shift: Point | undefined, motion: Matrix4 | undefined): Matrix4 {
  const at = motion?.clone() ?? new Matrix4();
  return shift ? at.premultiply(new Matrix4().makeTranslation(...shift)) : at;
}

function PartSolid({
  part,
  surface,
  onSelect,
  onToggle,
  ...look
}: {
  part: ScenePart;
  surface: Surface | undefined;
  at: Matrix4;
  paints: Paints;
  faint: boolean;
  planes: readonly Plane[];
  onSelect: (key: string) => void;
  onToggle: (id: string) => void;
}) {
  const { key, moves, grain } = part;
  const blank = useBlank(part, surface);
  const shown = surface ?? blank;
  if (!shown) return null;
  return (
    <Solid
      faces={shown.faces}
      edges={shown.edges}
      grain={grain}
      name={key}
      onPress={() => onSelect(key)}
      onDouble={moves === undefined ? undefined : () => onToggle(moves)}
      {...look}
    />
  );
}

/** A part before it is cut and bored, until its surface is made. */
function useBlank({ shape: { blank } }: ScenePart, surface: Surface | undefined): Surface | undefined {
  const wanted = surface === undefined;
  const made = useMemo(() => {
    if (!wanted) return undefined;
    const size = blank.max.map((high, k) => high - (blank.min[k] ?? 0)) as [number, number, number];
    const middle = blank.max.map((high, k) => (high + (blank.min[k] ?? 0)) / 2) as [number, number, number];
    const faces = new BoxGeometry(...size).translate(...middle);
    return { faces, edges: new EdgesGeometry(faces) };
  }, [wanted, blank]);
  useEffect(
    () => () => {
      made?.faces.dispose();
      made?.edges.dispose();
    },
    [made],
  );
  return made;
}

function HardwareSolid({
  thing,
  onSelect,
  ...look
}: {
  thing: SceneHardware;
  at: Matrix4;
  paints: Paints;
  planes: readonly Plane[];
  onSelect: (key: string) => void;
}) {
  const faces = useHardwareGeometry(thing);
  const edges = useMemo(() => new EdgesGeometry(faces, 20), [faces]);
  useEffect(() => () => edges.dispose(), [edges]);
  const { shows } = thing;
  return (
    <Solid
      faces={faces}
      edges={edges}
      faint={false}
      name="hardware"
      onPress={shows === undefined ? undefined : () => onSelect(shows)}
      {...look}
    />
  );
}

const NO_PLANES: readonly Plane[] = [];

function usePlanes({ extent }: Scene, cut: Look['cut']): readonly Plane[] {
  return useMemo(() => {
    if (!cut) return NO_PLANES;
    const { axis, share } = cut;
    const at = extent.min[axis] + (extent.max[axis] - extent.min[axis]) * share;
    // What lies beyond it stays: the rear of a cut across the depth, the left of one across the width, what is below.
    const normal = new Vector3().setComponent(axis, axis === 1 ? 1 : -1);
    return [new Plane(normal, axis === 1 ? -at : at)];
  }, [extent, cut]);
}

interface Palette {
  readonly of: (tint: ScenePart['tint']) => Paints;
  readonly lit: Paints;
  readonly metal: Paints;
}

/** The colours of the sheet, as the page has them. */
function usePalette(): Palette {
  return useMemo(() => {
    const style = getComputedStyle(document.documentElement);
    const colour = (name: string, fallback: string) =>
      new Color(style.getPropertyValue(`--color-${name}`).trim() || fallback);
    const ink = colour('ink', '#1b2426');
    const pencil = colour('pencil', '#2338a8');
    const graphite = colour('graphite', '#4a5154');
    const known = new Map<string, Paints>();
    return {
      of(tint) {
        const found = known.get(tint);
        if (found) return found;
        const fill = colour(`timber-${tint}`, '#f4ead0');
        const paints = { fill, edge: ink, cut: fill.clone().multiplyScalar(0.62) };
        known.set(tint, paints);
        return paints;
      },
      lit: { fill: new Color('#aab4ee'), edge: pencil, cut: pencil },
      metal: { fill: graphite.clone().lerp(new Color('#ffffff'), 0.25), edge: ink, cut: graphite },
    };
  }, []);
}
