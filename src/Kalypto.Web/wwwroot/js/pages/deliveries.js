import { start } from '../start.js';
import { deliveries } from '../deliveries.js';
import { places } from '../places.js';

start({ deliveries, places });
