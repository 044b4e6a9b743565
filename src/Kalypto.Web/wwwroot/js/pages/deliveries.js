import { start } from '../start.js';
import { deliveries } from '../deliveries.js';

start({ deliveries });
