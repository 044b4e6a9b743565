// Told on top of the page as long as the server does not answer: what is done meanwhile is not saved.
const again = 2_000;
let isWatched = false;
let notice = null;

const answers = () => fetch('/icon.svg', { method: 'HEAD', cache: 'no-store' }).then(() => true, () => false);

const show = isSilent => {
  if (isSilent && !notice) {
    notice = document.createElement('p');
    notice.className = 'silence';
    notice.role = 'alert';
    notice.textContent = 'Kalypto does not answer. What was saved is safe; what you do now is not saved until it answers again.';
    document.body.append(notice);
  } else if (!isSilent) {
    notice?.remove();
    notice = null;
  }
};

// Asks until there is an answer. A page that one leaves ends its requests as well, and is gone before the first question.
const ask = async () => {
  const isThere = await answers();
  show(!isThere);
  isWatched = !isThere;
  if (isWatched) {
    setTimeout(ask, again);
  }
};

export const watchSilence = () => {
  if (!isWatched) {
    isWatched = true;
    setTimeout(ask, again / 4);
  }
};
