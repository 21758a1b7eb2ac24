import type { ResolvedSettings } from '../../decisions/index.js';
import { byStandard, type Source } from '../../ground/index.js';
import type { RunnerResolved } from './settings.js';

/**
 * Drawers that run wood on wood run on web frames; the front of a tall pull-out has its grain upright. What the job or the
 * cabinet decides stays as it is decided.
 */
export function runnersFollow(settings: RunnerResolved['settings']): ResolvedSettings {
  const { drawers, dividers, fronts } = settings;
  const { betweenFronts } = dividers;
  let now: ResolvedSettings = settings;
  const carried = betweenFronts.value === 'web' || betweenFronts.value === 'shelf';
  if (drawers.family.value === 'wooden' && !carried && byStandard(betweenFronts)) {
    const source: Source = { ...drawers.family.source, note: 'wooden runners lie on web frames' };
    now = { ...now, dividers: { ...dividers, betweenFronts: { ...betweenFronts, value: 'web', source } } };
  }
  if (drawers.family.value === 'tall' && byStandard(fronts.drawerGrain)) {
    const source: Source = { ...drawers.family.source, note: 'upright on a tall pull-out' };
    now = { ...now, fronts: { ...fronts, drawerGrain: { ...fronts.drawerGrain, value: 'up', source } } };
  }
  return now;
}
