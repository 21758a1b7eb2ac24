import { setChoice, settingPath } from '../../decisions/index.js';
import { within } from '../../ground/index.js';
import type { RunnerRule } from './rule.js';

/** Rear brackets with nothing in their reach. */
const bracketMeetsNothing: RunnerRule = {
  id: 'drawers/bracket-meets-nothing',
  check(context) {
    const { parts, fitted } = context;
    const loose = fitted.runners.filter(({ brackets, front }) => {
      if (!brackets) return false;
      const held = parts.filter(
        ({ role, machining }) =>
          role !== 'frame' &&
          machining.some(({ by }) => by.kind === 'runners' && by.what === 'case' && by.front === front),
      );
      return held.length === 0;
    });
    if (loose.length === 0) return [];
    return [
      {
        severity: 'stop',
        what: `Nothing is in reach of the rear brackets of ${loose.map(({ name }) => within(name)).join(', ')}.`,
        why: 'At the height of the runner neither back nor nailer stands where its bracket ends. Pack the runners out.',
        parts: loose.map(({ front }) => front),
        settings: [settingPath(context, 'drawers/behindFrame')],
        fixes: [setChoice(context, 'Pack the runners out', 'drawers/behindFrame', 'packing')],
      },
    ];
  },
};

/** A back thinner than this holds no bracket (mm). */
const HOLDS_BRACKET = 9;

/** Rear brackets of runners screwed into a thin back. */
const bracketInThinBack: RunnerRule = {
  id: 'drawers/bracket-in-thin-back',
  check(context) {
    const { parts, show, fitted } = context;
    const thin = parts.find(
      ({ role, thickness, machining }) =>
        role === 'back' &&
        thickness.value < HOLDS_BRACKET &&
        machining.some(({ by }) => by.kind === 'runners' && by.what === 'case'),
    );
    if (!thin || fitted.runners.length === 0) return [];
    return [
      {
        severity: 'warn',
        what: `Rear brackets of runners are screwed into a back ${show(thin.thickness.value)} thick.`,
        why: 'Their screws find no hold there and pull out under load. Pack the runners out, or take a thicker back.',
        numbers: [thin.thickness],
        parts: [thin.key],
        settings: [settingPath(context, 'drawers/behindFrame'), settingPath(context, 'materials/back')],
        fixes: [setChoice(context, 'Pack the runners out', 'drawers/behindFrame', 'packing')],
      },
    ];
  },
};

/** What can stand against runners on rear brackets. */
export const bracketRules: readonly RunnerRule[] = [bracketMeetsNothing, bracketInThinBack];
