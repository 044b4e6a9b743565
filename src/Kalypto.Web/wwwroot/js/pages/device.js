import { start } from '../start.js';
import { device } from '../handover/device.js';

start({ device });
