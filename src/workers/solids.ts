import { expose, transfer } from 'comlink';
import { loadSolids, type Mesh, type PartShape } from '../core/part/index.js';

/** Makes parts into surfaces beside the page. */
const answers = {
  async mesh(shape: PartShape): Promise<Mesh> {
    const solids = await loadSolids();
    const mesh = solids.mesh(shape);
    return transfer(mesh, [mesh.corners.buffer, mesh.triangles.buffer]);
  },
};

export type SolidsWorker = typeof answers;

expose(answers);
