import { start } from '../start.js';
import { board } from '../board.js';

start({ board });
