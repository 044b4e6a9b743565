// Calls to the server.
import { watchSilence } from './silence.js';

export const page = Math.random().toString(36).slice(2);
const { token, notice } = document.documentElement.dataset;
const silent = 'Kalypto does not answer. Is it still running? Nothing that was saved is lost.';
const stopped = 'You stopped it. What came in before stays.';
const tooLarge = 'This is larger than 260 MB, the most that can be brought in at once. Bring in fewer or smaller files.';

const headers = () => ({ 'X-Kalypto-Token': token, 'X-Kalypto-Page': page, 'X-Kalypto-Who': encodeURIComponent(localStorage.getItem('kalypto-who') ?? '') });
const failure = (status, json) => ({ failed: true, message: json.detail || (status === 413 ? tooLarge : 'That did not work. Load the page again.'), history: !!json.history });
const parse = text => {
  try {
    return text ? JSON.parse(text) : {};
  } catch {
    return {};
  }
};

// What the page brought along for its script.
export const read = id => JSON.parse(document.getElementById(id).textContent);

export const send = async (method, url, body) => {
  const ask = () => fetch(url, { method, headers: { ...headers(), ...(body ? { 'Content-Type': 'application/json' } : {}) }, body: body && JSON.stringify(body) }).catch(() => null);
  // A network that changes ends what is on its way; what only reads is asked once more.
  const response = await ask() ?? (method === 'GET' ? await ask() : null);
  if (!response) {
    watchSilence();
    return { failed: true, message: silent };
  }
  const json = parse(await response.text());
  return response.ok ? json : failure(response.status, json);
};

// A form with files in it.
export const sendForm = async (url, form) => {
  const response = await fetch(url, { method: 'POST', headers: headers(), body: form }).catch(() => null);
  if (!response) {
    watchSilence();
    return { failed: true, message: silent };
  }
  const json = parse(await response.text());
  return response.ok ? json : failure(response.status, json);
};

export const get = url => send('GET', url);

export const post = (url, body) => send('POST', url, body || {});

// Sends a form and hands over the answer line by line, as it comes. Gives what went wrong, or null.
export const stream = async (url, form, signal, take) => {
  const response = await fetch(url, { method: 'POST', headers: headers(), body: form, signal }).catch(() => null);
  if (!response) {
    if (!signal.aborted) {
      watchSilence();
    }
    return signal.aborted ? stopped : silent;
  }
  if (!response.ok) {
    return failure(response.status, parse(await response.text())).message;
  }
  const reader = response.body.pipeThrough(new TextDecoderStream()).getReader();
  let text = '';
  for (;;) {
    const { value, done } = await reader.read().catch(() => ({ done: true }));
    text += value ?? '';
    const lines = text.split('\n');
    text = lines.pop();
    lines.filter(Boolean).forEach(line => take(JSON.parse(line)));
    if (done) {
      return signal.aborted ? stopped : null;
    }
  }
};

// Calls back when something was drawn or somebody else edited, a few times a second at most.
export const onChanged = (project, callback) => {
  let waiting = null;
  const source = new EventSource(`/api/projects/${project}/events?page=${page}${notice ? `&since=${notice}` : ''}`);
  source.addEventListener('changed', () => {
    waiting ??= setTimeout(() => {
      waiting = null;
      callback();
    }, 200);
  });
  source.addEventListener('error', watchSilence);
  window.addEventListener('pagehide', () => source.close());
};
