import { start } from '../start.js';
import { bringIn } from '../bringing.js';
import { screens } from '../screens.js';
import { stepsBack } from '../history.js';

start({ bringIn, screens, stepsBack });
