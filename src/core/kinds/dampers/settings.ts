import { length, name, not, type ResolvedWith, section, type ValuesOf } from '../../decisions/index.js';
import { inches } from '../../ground/index.js';

const SINCE = 16;

export const damperSettings = section('Dampers', {
  dampers: {
    doors: name('damper on doors', {
      from: 'dampers',
      metric: 'none',
      since: SINCE,
      trade: 'It slows a door whose hinges pull it shut; hinges that are damped themselves need none.',
    }),
    fromLatch: length('damper from the edge where the door opens', {
      min: 25,
      max: 50,
      metric: 40,
      inch: inches(1.5),
      since: SINCE,
      when: { 'dampers/doors': not('none') },
      trade: 'It moves within its limits to stand clear of what is bored there.',
    }),
  },
});

export type DamperSettings = (typeof damperSettings)['settings'];
/** A cabinet's settings with these among them. */
export type DamperResolved = ResolvedWith<ValuesOf<DamperSettings>>;
