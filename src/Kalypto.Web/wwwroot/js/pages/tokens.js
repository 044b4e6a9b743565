import { start } from '../start.js';
import { tokens } from '../handover/tokens.js';

start({ tokens });
