export { motionOf, movedTo, type Opener } from './openers.js';
export { apartAt, type Scene, type SceneHardware, type ScenePart, type Stage, sceneOf, stagesOf } from './scene.js';
