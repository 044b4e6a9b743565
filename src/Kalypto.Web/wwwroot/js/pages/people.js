import { start } from '../start.js';
import { account, people, team } from '../people.js';

start({ account, people, team });
