import { start } from '../start.js';
import { closer } from '../closer/closer.js';
import { densities } from '../closer/densities.js';

start({ closer, densities });
