import { start } from '../start.js';
import { plate } from '../handover/plate.js';

start({ plate });
