import { start } from '../start.js';
import { library } from '../library.js';

start({ library });
