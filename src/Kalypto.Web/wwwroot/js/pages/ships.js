import { start } from '../start.js';
import { ships } from '../ships.js';

start({ ships });
