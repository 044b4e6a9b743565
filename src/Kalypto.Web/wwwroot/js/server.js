// Calls to the server and what all pages share.
window.kalypto = {
  page: Math.random().toString(36).slice(2),
  token: document.documentElement.dataset.token,

  read(id) {
    return JSON.parse(document.getElementById(id).textContent);
  },

  async send(method, url, body) {
    const isForm = body instanceof FormData;
    const response = await fetch(url, {
      method,
      headers: { 'X-Kalypto-Token': this.token, 'X-Kalypto-Page': this.page, 'X-Kalypto-Who': encodeURIComponent(localStorage.getItem('kalypto-who') ?? ''), ...(body && !isForm ? { 'Content-Type': 'application/json' } : {}) },
      body: isForm ? body : body && JSON.stringify(body),
    }).catch(() => null);
    if (!response) {
      return { failed: true, message: 'Kalypto does not answer. Is it still running? Nothing that was saved is lost.' };
    }
    const text = await response.text();
    let json = {};
    try {
      json = text ? JSON.parse(text) : {};
    } catch {
      json = {};
    }
    if (!response.ok) {
      const tooLarge = response.status === 413 ? 'This is larger than 260 MB, the most that can be brought in at once. Bring in fewer or smaller files.' : null;
      return { failed: true, message: json.message || tooLarge || 'That did not work. Load the page again.' };
    }
    return json;
  },

  // Sends a form and hands over the answer line by line, as it comes. Gives what went wrong, or null.
  async stream(url, form, take) {
    const response = await fetch(url, { method: 'POST', headers: { 'X-Kalypto-Token': this.token }, body: form }).catch(() => null);
    if (!response) {
      return 'Kalypto does not answer. Is it still running?';
    }
    if (!response.ok) {
      const json = await response.json().catch(() => ({}));
      return response.status === 413 ? 'This is larger than 260 MB, the most that can be brought in at once. Bring in fewer or smaller files.' : json.message || 'That did not work. Load the page again.';
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
        return null;
      }
    }
  },
  get(url) {
    return this.send('GET', url);
  },

  post(url, body) {
    return this.send('POST', url, body || {});
  },

  // Calls back when something was drawn or somebody else edited, a few times a second at most.
  onChanged(project, callback) {
    let waiting = null;
    const { notice } = document.documentElement.dataset;
    const source = new EventSource(`/api/projects/${project}/events?page=${this.page}${notice ? `&since=${notice}` : ''}`);
    source.addEventListener('changed', () => {
      waiting ??= setTimeout(() => {
        waiting = null;
        callback();
      }, 200);
    });
    window.addEventListener('pagehide', () => source.close());
  },
};
