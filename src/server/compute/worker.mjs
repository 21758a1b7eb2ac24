// What a thread runs before anything is built: the same work, its TypeScript read as it stands.
import { register } from 'tsx/esm/api';

register();
const { default: work } = await import('./worker.ts');

export default work;
