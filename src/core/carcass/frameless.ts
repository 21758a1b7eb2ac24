import type { Dim } from '../derive/index.js';
import type { Cabinet, Resolved } from '../job/index.js';
import type { Box, Divider } from '../layout/index.js';
import { type Band, makePart, type Part, type PartRole } from '../parts/index.js';
import { backGroove, buildBack, buildNailers } from './back.js';
import { buildPlinth } from './plinth.js';

/** Frameless school: horizontals between the sides, butt joints, a grooved back, and what stands under the box. */
export function buildCarcass(cabinet: Cabinet, box: Box, dividers: readonly Divider[], resolved: Resolved): Part[] {
  const carcass = new Frameless(box, resolved);
  return [
    ...carcass.sides(),
    carcass.bottom(),
    ...carcass.top(),
    ...dividers.map((divider) => carcass.divider(divider)),
    buildBack(box, resolved),
    ...buildNailers(box, resolved, cabinet.kind),
    ...(resolved.settings.toe.kind.value === 'plinth' ? buildPlinth(box, resolved) : []),
  ];
}

class Frameless {
  private readonly thickness: Dim;
  private readonly frontBand: readonly Band[];

  constructor(
    private readonly box: Box,
    private readonly resolved: Resolved,
  ) {
    const { banding } = resolved.settings;
    this.thickness = resolved.materials.case.thickness;
    this.frontBand = banding.caseEdges.value === 'front' ? [{ edge: 'v0', thickness: banding.caseThickness }] : [];
  }

  sides(): Part[] {
    const { width, height, sideDepth } = this.box;
    const side = (hand: 'left' | 'right', x: number): Part =>
      makePart({
        key: `side/${hand}`,
        name: `Side, ${hand}`,
        role: 'side',
        material: this.resolved.materials.case.material,
        length: height,
        width: sideDepth,
        thickness: this.thickness,
        bands: this.frontBand,
        hand,
        placement: { origin: [x, 0, 0], u: '+z', v: '+y', w: hand === 'left' ? '-x' : '+x' },
        machining: [backGroove(this.box, this.resolved)],
      });
    return [side('left', this.thickness.mm), side('right', width.minus(this.thickness).mm)];
  }

  bottom(): Part {
    return this.horizontal({
      key: 'bottom',
      name: 'Bottom',
      role: 'bottom',
      depth: this.box.sideDepth,
      z: this.box.bottomTop.mm,
      faceDown: false,
      grooved: true,
      banded: true,
    });
  }

  top(): Part[] {
    const { top } = this.resolved.settings;
    const { sideDepth, clearDepth, topUnderside } = this.box;
    const z = topUnderside.mm;
    if (top.kind.value === 'full')
      return [
        this.horizontal({
          key: 'top',
          name: 'Top',
          role: 'top',
          depth: sideDepth,
          z,
          faceDown: true,
          grooved: true,
          banded: true,
        }),
      ];
    const stretcher = { role: 'stretcher' as const, depth: top.stretcherWidth, z, faceDown: true, grooved: false };
    return [
      this.horizontal({ ...stretcher, key: 'stretcher/front', name: 'Stretcher, front', banded: true }),
      // The rear stretcher stands in front of the back.
      this.horizontal({
        ...stretcher,
        key: 'stretcher/rear',
        name: 'Stretcher, rear',
        banded: false,
        y: clearDepth.minus(top.stretcherWidth).mm,
      }),
    ];
  }

  /** What stands behind a gap: a flat stretcher at the front, or a fixed shelf right back to the back panel. */
  divider(divider: Divider): Part {
    const shelf = divider.kind === 'shelf';
    return this.horizontal({
      key: `divider/${divider.below}`,
      name: shelf ? 'Fixed shelf' : 'Stretcher, between fronts',
      role: 'divider',
      depth: shelf ? this.box.clearDepth : this.resolved.settings.top.stretcherWidth,
      z: divider.top.mm,
      faceDown: false,
      grooved: false,
      banded: true,
      material: shelf ? 'shelf' : 'case',
    });
  }

  /** Between the sides: length = inside width, for butt joints. */
  private horizontal(draft: {
    key: string;
    name: string;
    role: PartRole;
    depth: Dim;
    /** Height of face 1, the inside face. */
    z: number;
    faceDown: boolean;
    grooved: boolean;
    banded: boolean;
    material?: 'case' | 'shelf';
    y?: number;
  }): Part {
    const { material, thickness } = this.resolved.materials[draft.material ?? 'case'];
    return makePart({
      key: draft.key,
      name: draft.name,
      role: draft.role,
      material,
      length: this.box.insideWidth,
      width: draft.depth,
      thickness,
      bands: draft.banded ? this.frontBand : [],
      placement: {
        origin: [this.thickness.mm, draft.y ?? 0, draft.z],
        u: '+x',
        v: '+y',
        w: draft.faceDown ? '+z' : '-z',
      },
      machining: draft.grooved ? [backGroove(this.box, this.resolved)] : [],
    });
  }
}
