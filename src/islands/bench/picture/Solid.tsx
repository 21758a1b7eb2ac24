import type { ThreeEvent } from '@react-three/fiber';
import { useEffect, useMemo } from 'react';
import {
  BackSide,
  type BufferGeometry,
  type Color,
  ExtrudeGeometry,
  LineBasicMaterial,
  type Matrix4,
  MeshBasicMaterial,
  MeshLambertMaterial,
  type Plane,
  Shape,
} from 'three';
import type { SceneHardware } from '../../../core/present/index.js';

export interface Paints {
  readonly fill: Color;
  readonly edge: Color;
  /** What shows where a plane cuts through. */
  readonly cut: Color;
}

/** One thing of the picture: its faces, its edges, and the flat colour of what is cut open. */
export function Solid({
  faces,
  edges,
  at,
  paints,
  grain,
  faint,
  planes,
  name,
  onPress,
  onDouble,
}: {
  faces: BufferGeometry;
  edges?: BufferGeometry | undefined;
  at: Matrix4;
  paints: Paints;
  /** The axis fine lines run along. */
  grain?: 0 | 1 | 2 | undefined;
  /** Seen through. */
  faint: boolean;
  planes: readonly Plane[];
  name: string;
  onPress?: (() => void) | undefined;
  onDouble?: (() => void) | undefined;
}) {
  const { fill, edge, cut } = paints;
  const materials = useMemo(() => {
    const clippingPlanes = [...planes];
    const face = new MeshLambertMaterial({
      color: fill,
      flatShading: true,
      clippingPlanes,
      polygonOffset: true,
      polygonOffsetFactor: 1,
      polygonOffsetUnits: 1,
      ...(faint ? { transparent: true, opacity: 0.14, depthWrite: false } : {}),
    });
    if (grain !== undefined) lineAlong(face, grain);
    return {
      face,
      inside: planes.length > 0 ? new MeshBasicMaterial({ color: cut, side: BackSide, clippingPlanes }) : undefined,
      line: new LineBasicMaterial({ color: edge, clippingPlanes, transparent: faint, opacity: faint ? 0.3 : 1 }),
    };
  }, [fill, edge, cut, grain, faint, planes]);
  useEffect(
    () => () => {
      materials.face.dispose();
      materials.inside?.dispose();
      materials.line.dispose();
    },
    [materials],
  );
  const press = (act: () => void) => (event: ThreeEvent<MouseEvent>) => {
    // What a plane has cut away, and a turn of the picture, select nothing.
    if (event.delta > 4 || planes.some((plane) => plane.distanceToPoint(event.point) < 0)) return;
    event.stopPropagation();
    act();
  };
  return (
    <group matrixAutoUpdate={false} matrix={at} name={name}>
      <mesh
        geometry={faces}
        material={materials.face}
        {...(onPress && !faint ? { onClick: press(onPress) } : {})}
        {...(onDouble && !faint ? { onDoubleClick: press(onDouble) } : {})}
      />
      {materials.inside && !faint && <mesh geometry={faces} material={materials.inside} />}
      {edges && <lineSegments geometry={edges} material={materials.line} />}
    </group>
  );
}

/** Fine lines along an axis of the cabinet, as the sheet draws grain. */
function lineAlong(material: MeshLambertMaterial, axis: 0 | 1 | 2): void {
  const [p, q] = ([0, 1, 2] as const).filter((other) => other !== axis).map((other) => 'xyz'[other]);
  material.onBeforeCompile = (shader) => {
    shader.vertexShader = shader.vertexShader
      .replace('#include <common>', '#include <common>\nvarying vec3 vPlace;')
      .replace('#include <begin_vertex>', '#include <begin_vertex>\nvPlace = position;');
    shader.fragmentShader = shader.fragmentShader
      .replace('#include <common>', '#include <common>\nvarying vec3 vPlace;')
      .replace(
        '#include <color_fragment>',
        `#include <color_fragment>
        float across = vPlace.${p} * 0.037 + vPlace.${q} * 0.053;
        float wide = fract(across + 0.13 * sin(across * 2.3)) - 0.5;
        diffuseColor.rgb *= 1.0 - 0.10 * smoothstep(0.46, 0.5, abs(wide));`,
      );
  };
  material.customProgramCacheKey = () => `grain ${axis}`;
}

/** A piece of hardware, upright over its outline. */
export function useHardwareGeometry({ outline, low, high }: SceneHardware): BufferGeometry {
  const key = JSON.stringify([outline, low, high]);
  const geometry = useMemo(() => {
    const shape = new Shape();
    const [corners, from, to] = JSON.parse(key) as [SceneHardware['outline'], number, number];
    corners.forEach(({ x, y }, index) => (index === 0 ? shape.moveTo(x, y) : shape.lineTo(x, y)));
    shape.closePath();
    return new ExtrudeGeometry(shape, { depth: to - from, bevelEnabled: false }).translate(0, 0, from);
  }, [key]);
  useEffect(() => () => geometry.dispose(), [geometry]);
  return geometry;
}
