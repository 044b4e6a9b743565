import { start } from '../start.js';
import { bringIn } from '../bringing.js';
import { fonts } from '../fonts.js';
import { stepsBack } from '../history.js';

start({ bringIn, fonts, stepsBack });
