import type { Operation, Stopped } from '../../../part/index.js';
import type { CornerContext } from './corner.js';

/** The groove of the bottom in the inside of a board. */
export function bottomGroove(
  { key, plan, settings, bottom, by }: Pick<CornerContext, 'key' | 'plan' | 'settings' | 'bottom' | 'by'>,
  stopped?: Stopped,
): Operation[] {
  if (bottom.applied) return [];
  return [
    {
      kind: 'groove',
      face: 1,
      along: 'length',
      from: 'v0',
      offset: plan.recess,
      width: bottom.thickness,
      depth: settings.drawers.groove,
      ...(stopped && (stopped.start || stopped.end) ? { stopped } : {}),
      reason: 'holds the bottom',
      by: by('bottom'),
      holds: `${key}/bottom`,
    },
  ];
}
