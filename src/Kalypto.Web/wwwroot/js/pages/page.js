import { start } from '../start.js';
import { page } from '../page.js';

start({ page });
