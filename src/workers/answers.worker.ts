import { answering, type ToWorker } from './asks.js';

const reply = answering();

addEventListener('message', ({ data }: MessageEvent<ToWorker>) => {
  const answer = reply(data);
  if (answer) postMessage(answer);
});
