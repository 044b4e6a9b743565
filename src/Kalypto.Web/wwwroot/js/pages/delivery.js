import { start } from '../start.js';
import { delivery } from '../delivery.js';

start({ delivery });
