import { start } from '../start.js';
import { changes } from '../changes.js';

start({ changes });
