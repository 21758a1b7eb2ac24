import { Canvas } from '@react-three/fiber';
import { type KeyboardEvent, useCallback, useMemo, useRef, useState } from 'react';
import { sceneOf, stagesOf } from '../../../core/present/index.js';
import type { SolvedCabinet } from '../../../core/solve/index.js';
import { useBench } from '../context.js';
import { Eye, type EyeHandle } from './Eye.js';
import { opensWith, toggled } from './looks.js';
import { Model } from './Model.js';
import { PictureControls } from './PictureControls.js';
import { useSurfaces } from './surfaces.js';

/** Radians an arrow key turns the picture. */
const TURN = Math.PI / 24;

/** The cabinet in the round: turned, cut, opened, taken apart; whatever is pressed is selected everywhere. */
export default function Picture({ solved, bare = false }: { solved: SolvedCabinet; bare?: boolean }) {
  const selected = useBench((state) => state.selected);
  const select = useBench((state) => state.select);
  const look = useBench((state) => state.picture);
  const setLook = useBench((state) => state.lookAt);
  const scene = useMemo(() => sceneOf(solved), [solved]);
  // Only where it can be taken apart is it worth knowing how.
  const stages = useMemo(() => (bare ? [] : stagesOf(solved.parts)), [bare, solved]);
  const surfaces = useSurfaces(scene);
  const eye = useRef<EyeHandle | null>(null);
  const onReady = useCallback((handle: EyeHandle) => {
    eye.current = handle;
  }, []);
  const [able] = useState(drawsInTheRound);
  if (!able)
    return (
      <p className="max-w-[46ch] p-6 text-[1.0625rem] leading-relaxed">
        This browser draws nothing in the round: WebGL is switched off or missing. Front, section and plan show the same
        parts.
      </p>
    );
  const onKey = (event: KeyboardEvent) => {
    const turns: Record<string, readonly [number, number]> = {
      ArrowLeft: [-TURN, 0],
      ArrowRight: [TURN, 0],
      ArrowUp: [0, TURN],
      ArrowDown: [0, -TURN],
    };
    const turn = turns[event.key];
    if (turn) eye.current?.turn(...turn);
    else if (event.key === '+' || event.key === '=') eye.current?.zoom(1.15);
    else if (event.key === '-') eye.current?.zoom(1 / 1.15);
    else if (event.key === '0') eye.current?.fit();
    else if (event.key === 'Enter') {
      const opens = opensWith(scene, selected);
      if (opens === undefined) return;
      setLook(toggled(look, opens));
    } else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const { cabinet } = solved;
  return (
    <div className="grid min-h-0 grid-rows-[minmax(0,1fr)_auto]">
      <div
        // biome-ignore lint/a11y/noNoninteractiveTabindex: it is turned by the arrow keys
        tabIndex={0}
        role="application"
        aria-roledescription="picture"
        aria-label={`${cabinet.number} ${cabinet.name} in the round, ${scene.parts.length} parts. Arrows turn it, plus and minus come nearer, 0 shows all of it, Enter opens what is selected.`}
        data-picture={surfaces.missing === 0 ? 'done' : 'being made'}
        data-parts={scene.parts.map(({ key }) => key).join(' ')}
        className="relative min-h-0 focus-visible:outline-2 focus-visible:outline-pencil"
        onKeyDown={onKey}
      >
        <Canvas
          orthographic
          flat
          frameloop="demand"
          dpr={[1, 2]}
          onCreated={({ gl }) => {
            gl.localClippingEnabled = true;
          }}
          onPointerMissed={(event) => {
            if (event.type === 'click') select(null);
          }}
        >
          <Model
            scene={scene}
            stages={stages}
            surfaces={surfaces}
            look={look}
            selected={selected}
            onSelect={select}
            onToggle={(id) => setLook(toggled(look, id))}
          />
          <Eye scene={scene} stages={stages} look={look} onReady={onReady} />
        </Canvas>
        {surfaces.missing > 0 && (
          <p role="status" className="absolute right-2 bottom-1 text-ink-soft">
            {surfaces.missing} {surfaces.missing === 1 ? 'part' : 'parts'} still to be cut
          </p>
        )}
      </div>
      {!bare && <PictureControls scene={scene} steps={stages.length} onFit={() => eye.current?.fit()} />}
    </div>
  );
}

/** True where the browser can draw in the round. */
function drawsInTheRound(): boolean {
  try {
    return document.createElement('canvas').getContext('webgl2') !== null;
  } catch {
    return false;
  }
}
