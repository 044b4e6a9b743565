// Signing out, on every page.
import * as server from './server.js';

document.getElementById('sign-out')?.addEventListener('click', async () => {
  await server.post('/api/coming/sign-out');
  location.href = '/sign-in';
});
