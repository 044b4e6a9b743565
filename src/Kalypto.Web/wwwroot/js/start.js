// Makes a page live: its components by the names that its markup gives them.
import Alpine from '../lib/alpine.esm.js';

export const start = components => {
  Object.entries(components).forEach(([name, component]) => Alpine.data(name, component));
  Alpine.start();
};

export const { effect } = Alpine;
