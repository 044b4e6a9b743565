import { start } from '../start.js';
import { pack } from '../pack.js';

start({ pack });
