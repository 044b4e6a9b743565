// Calls to the server and what all pages share.
window.kalypto = {
  token: document.documentElement.dataset.token,

  read(id) {
    return JSON.parse(document.getElementById(id).textContent);
  },

  async send(method, url, body) {
    const isForm = body instanceof FormData;
    const response = await fetch(url, {
      method,
      headers: { 'X-Kalypto-Token': this.token, ...(body && !isForm ? { 'Content-Type': 'application/json' } : {}) },
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

  get(url) {
    return this.send('GET', url);
  },

  post(url, body) {
    return this.send('POST', url, body || {});
  },

  // Calls back when something was drawn, at most about twice a second.
  onDrawn(project, callback) {
    let waiting = null;
    const source = new EventSource(`/api/projects/${project}/events`);
    source.addEventListener('drawn', () => {
      waiting ??= setTimeout(() => {
        waiting = null;
        callback();
      }, 300);
    });
    window.addEventListener('pagehide', () => source.close());
  },
};
