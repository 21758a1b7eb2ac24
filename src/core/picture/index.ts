export { motionOf, movedTo, type Opening } from './openings.js';
export { apartAt, type Scene, type SceneHardware, type ScenePart, type Stage, sceneOf, stagesOf } from './scene.js';
