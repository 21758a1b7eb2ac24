import { useThree } from '@react-three/fiber';
import { useEffect, useMemo, useRef } from 'react';
import { type OrthographicCamera, Vector3 } from 'three';
import { OrbitControls } from 'three/addons/controls/OrbitControls.js';
import type { Point } from '../../../core/part/index.js';
import { apartAt, movedTo, type Scene, type Stage } from '../../../core/present/index.js';
import { type Look, openShare, SIDES } from './looks.js';

/** What can be done to the picture from outside of it. */
export interface EyeHandle {
  turn(across: number, up: number): void;
  zoom(by: number): void;
  fit(): void;
}

/** Part of the window that stays free round the cabinet. */
const MARGIN = 0.88;

/** Looks at the cabinet in parallel projection, as a drawing does; turned by pointer, wheel and keys. */
export function Eye({
  scene,
  stages,
  look,
  onReady,
}: {
  scene: Scene;
  stages: readonly Stage[];
  look: Look;
  onReady: (handle: EyeHandle) => void;
}) {
  const camera = useThree((state) => state.camera) as OrthographicCamera;
  const canvas = useThree((state) => state.gl.domElement);
  const invalidate = useThree((state) => state.invalidate);
  const size = useThree((state) => state.size);
  const controls = useMemo(() => {
    camera.up.set(0, 0, 1);
    const made = new OrbitControls(camera, canvas);
    made.enableDamping = false;
    made.addEventListener('change', () => invalidate());
    return made;
  }, [camera, canvas, invalidate]);
  useEffect(() => () => controls.dispose(), [controls]);

  // Only what opens or comes apart takes another room.
  const { open, opened, apart, from: side } = look;
  const points = useMemo(() => cornersOf(scene, stages, { open, opened, apart }), [scene, stages, open, opened, apart]);
  const wanted = useRef(points);
  wanted.current = points;
  const handle = useMemo((): EyeHandle => {
    const fit = () => {
      const corners = wanted.current;
      const middle = middleOf(corners);
      const towards = camera.position.clone().sub(controls.target).normalize();
      controls.target.copy(middle);
      const reach = Math.max(1, ...corners.map((corner) => corner.distanceTo(middle)));
      camera.position.copy(middle).addScaledVector(towards, reach * 3 + 100);
      camera.near = 0.1;
      camera.far = reach * 7 + 200;
      camera.lookAt(middle);
      camera.updateMatrixWorld();
      const seen = corners.map((corner) => corner.clone().applyMatrix4(camera.matrixWorldInverse));
      const wide = 2 * Math.max(1, ...seen.map(({ x }) => Math.abs(x)));
      const tall = 2 * Math.max(1, ...seen.map(({ y }) => Math.abs(y)));
      camera.zoom = MARGIN * Math.min(size.width / wide, size.height / tall);
      camera.updateProjectionMatrix();
      controls.update();
      invalidate();
    };
    return {
      fit,
      zoom(by) {
        camera.zoom *= by;
        camera.updateProjectionMatrix();
        invalidate();
      },
      turn(across, up) {
        const from = camera.position.clone().sub(controls.target);
        from.applyAxisAngle(new Vector3(0, 0, 1), across);
        const side = new Vector3(0, 0, 1).cross(from).normalize();
        const tilted = from.clone().applyAxisAngle(side, -up);
        // Not over the top, where left and right would change places.
        if (side.lengthSq() > 0 && Math.abs(tilted.clone().normalize().z) < 0.995) from.copy(tilted);
        camera.position.copy(controls.target).add(from);
        camera.lookAt(controls.target);
        controls.update();
        invalidate();
      },
    };
  }, [camera, controls, invalidate, size.width, size.height]);
  useEffect(() => onReady(handle), [handle, onReady]);

  const eye = useRef(handle);
  eye.current = handle;
  useEffect(() => {
    const [x, y, z] = SIDES[side].towards;
    camera.position.copy(controls.target).add(new Vector3(x, y, z));
    eye.current.fit();
  }, [side, camera, controls]);
  // What is opened or taken apart takes more room, and a window of another size has another.
  useEffect(() => {
    if (points.length > 0) handle.fit();
  }, [points, handle]);
  return null;
}

/** Corners of the room each part takes where it stands. */
function cornersOf(scene: Scene, stages: readonly Stage[], look: Pick<Look, 'open' | 'opened' | 'apart'>): Vector3[] {
  const shifts = apartAt(stages, look.apart);
  const openers = new Map(scene.openers.map((opener) => [opener.id, opener]));
  return scene.parts.flatMap(({ key, moves, shape: { blank } }) => {
    const [dx, dy, dz] = shifts.get(key) ?? [0, 0, 0];
    const opener = moves === undefined ? undefined : openers.get(moves);
    return [blank.min, blank.max].flatMap(([x]) =>
      [blank.min, blank.max].flatMap(([, y]) =>
        [blank.min, blank.max].map(([, , z]) => {
          const point: Point = [x, y, z];
          const moved = opener ? movedTo(opener, point, openShare(look, opener.id)) : point;
          return new Vector3(moved[0] + dx, moved[1] + dy, moved[2] + dz);
        }),
      ),
    );
  });
}

function middleOf(points: readonly Vector3[]): Vector3 {
  const low = new Vector3(Infinity, Infinity, Infinity);
  const high = new Vector3(-Infinity, -Infinity, -Infinity);
  for (const point of points) {
    low.min(point);
    high.max(point);
  }
  return points.length === 0 ? new Vector3() : low.add(high).multiplyScalar(0.5);
}
