import { expose } from 'comlink';
import { answering } from './asks.js';

expose(answering());
