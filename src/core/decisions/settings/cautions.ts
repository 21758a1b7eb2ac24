import { section, share } from './declare.js';

/** From where on Alcove warns of what can hurt somebody. */
export const cautionSettings = section('Cautions', {
  cautions: { twoPeople: share('two people lift a box from, kg', { min: 5, max: 200, metric: 25, since: 7 }) },
});
