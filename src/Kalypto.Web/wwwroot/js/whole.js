// Lies in the page itself: what a page needs may not come, as when the network changes while it loads. Such a page is dead
// without a word, so it is loaded again as soon as the server answers; pictures are asked for once more.
(() => {
  const most = 3;
  const tried = `kalypto-again ${location.pathname}`;
  const pictures = new WeakSet();
  let isWhole = true;

  const whenAnswered = act => fetch('/icon.svg', { method: 'HEAD', cache: 'no-store' }).then(act, () => setTimeout(() => whenAnswered(act), 1000));

  const askAgain = picture => {
    if (picture.getAttribute('src') && !pictures.has(picture)) {
      pictures.add(picture);
      whenAnswered(() => picture.setAttribute('src', picture.src));
    }
  };

  const say = () => {
    const notice = document.createElement('p');
    notice.className = 'silence is-part';
    notice.role = 'alert';
    notice.textContent = 'Parts of this page did not load, so it may not work. Check the network, then load the page again.';
    document.body.prepend(notice);
  };

  const loadAgain = () => {
    const tries = Number(sessionStorage.getItem(tried));
    if (tries < most) {
      sessionStorage.setItem(tried, tries + 1);
      whenAnswered(() => location.reload());
    } else {
      sessionStorage.removeItem(tried);
      document.body ? say() : addEventListener('DOMContentLoaded', say);
    }
  };

  addEventListener('error', ({ target }) => {
    if (target instanceof HTMLImageElement) {
      askAgain(target);
    } else if (isWhole && (target instanceof HTMLScriptElement || target instanceof HTMLLinkElement)) {
      isWhole = false;
      loadAgain();
    }
  }, true);

  addEventListener('load', () => {
    if (isWhole) {
      sessionStorage.removeItem(tried);
    }
  });
})();
