import { start } from '../start.js';
import { bringIn } from '../bringing.js';
import { projects } from '../projects.js';

start({ bringIn, projects });
