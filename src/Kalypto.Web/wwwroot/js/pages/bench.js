import { start } from '../start.js';
import { bench } from '../bench/bench.js';

start({ bench });
