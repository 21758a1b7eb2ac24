import { inches } from '../../ground/index.js';
import { choice, length, section } from './declare.js';

export const shelves = section('Shelves', {
  shelves: {
    sidePlay: length('shelf play each side', { max: 20, metric: 1.5, inch: inches(1 / 16) }),
    frontSetback: length('shelf front setback', { max: 200, metric: 5, inch: inches(1 / 4) }),
    rearPlay: length('shelf rear play', { max: 50, metric: 1, inch: inches(1 / 16) }),
    load: choice(
      'shelves carry',
      { clothes: 'clothes', kitchen: 'kitchen things', books: 'books', records: 'records and files' },
      { metric: 'clothes' },
    ),
    limit: choice('shelves may sag', { strict: '1 in 600', relaxed: '1 in 360' }, { metric: 'strict' }),
    stripHeight: length('front strip height', { max: 120, metric: 0 }),
    stripThickness: length('front strip thickness', { max: 60, metric: 20, inch: inches(3 / 4) }),
  },
});
