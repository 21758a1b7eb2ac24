import { choice, name, type ResolvedWith, section, type ValuesOf } from '../../decisions/index.js';

const SINCE = 11;

export const hangerSettings = section('Wall hangers', {
  hangers: {
    fitted: choice(
      'a wall cabinet hangs by',
      { none: 'screws through its nailers', hangers: 'hangers in its upper corners' },
      {
        metric: 'none',
        since: SINCE,
        when: { 'cabinet/kind': 'wall' },
        trade:
          'Nailers want no hardware and spread the load. Hangers let the cabinet be hooked on and turned true afterwards.',
      },
    ),
    choice: name('hanger decided', {
      from: 'hangers',
      metric: 'none',
      since: SINCE,
      when: { 'hangers/fitted': 'hangers' },
      trade: 'None leaves it to the rules: of those in stock that carry the cabinet, the lightest.',
    }),
  },
});

export type HangerSettings = (typeof hangerSettings)['settings'];
/** A cabinet's settings with these among them. */
export type HangerResolved = ResolvedWith<ValuesOf<HangerSettings>>;
