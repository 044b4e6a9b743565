import { start } from '../start.js';
import { checks } from '../checks.js';

start({ checks });
