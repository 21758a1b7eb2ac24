import { name, type ResolvedWith, section, type ValuesOf } from '../../decisions/index.js';
import { SINCE } from './list.js';

export const grommetSettings = section('Cable grommets', {
  grommets: {
    choice: name('grommet for cables', {
      from: 'grommets',
      metric: 'corran-grommet-60',
      since: SINCE,
      trade: 'Each that is put in is one of these, unless another is said of it.',
    }),
  },
});

export type GrommetSettings = (typeof grommetSettings)['settings'];
/** A cabinet's settings with these among them. */
export type GrommetResolved = ResolvedWith<ValuesOf<GrommetSettings>>;
