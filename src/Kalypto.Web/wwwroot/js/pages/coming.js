import { start } from '../start.js';
import { openLink, signIn, welcome } from '../coming.js';

start({ openLink, signIn, welcome });
