import { start } from '../start.js';
import { bringIn } from '../bringing.js';
import { inboxFolders } from '../inbox.js';
import { screens } from '../screens.js';
import { stepsBack } from '../history.js';

start({ bringIn, inboxFolders, screens, stepsBack });
