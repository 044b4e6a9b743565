// A small window with everything that can be done on the page, found by typing its name: each is a control of the page itself.
const most = 12;
const dialog = document.querySelector('#actions');
const input = dialog.querySelector('input');
const list = dialog.querySelector('[role=listbox]');
let all = [], shown = [], at = 0, before = null;

const nameOf = control => (control.getAttribute('aria-label') ?? [...control.childNodes].filter(n => n.nodeName !== 'KBD' && n.nodeName !== 'I').map(n => n.textContent).join(' ')).replace(/\s+/g, ' ').trim();
const groupOf = control => control.closest('[role=group][aria-label]')?.getAttribute('aria-label') ?? control.closest('nav[aria-label], section[aria-label], [role=region][aria-label]')?.getAttribute('aria-label') ?? '';

// Rows of long lists have keys of their own; what is hidden or cannot be done now stays away.
const find = () => {
  const known = new Set();
  return [...document.querySelectorAll('main button, main a[href], main summary, header a[href]')]
    .filter(c => !c.disabled && !c.closest('.rows, .shelf, #actions') && c.checkVisibility({ visibilityProperty: true }))
    .map(control => ({ control, name: nameOf(control), group: groupOf(control), key: control.querySelector('kbd')?.textContent ?? '' }))
    .filter(a => a.name && !known.has(`${a.group} ${a.name}`) && known.add(`${a.group} ${a.name}`));
};

const show = () => {
  const words = input.value.toLowerCase().split(/\s+/).filter(Boolean);
  const rank = a => (a.name.toLowerCase().startsWith(words[0] ?? '') ? 0 : 1);
  shown = all.filter(a => words.every(w => `${a.name} ${a.group}`.toLowerCase().includes(w))).sort((a, b) => rank(a) - rank(b)).slice(0, most);
  at = Math.min(at, Math.max(0, shown.length - 1));
  list.replaceChildren(...shown.map((a, i) => {
    const option = document.createElement('div');
    option.role = 'option';
    option.id = `action-${i}`;
    option.ariaSelected = String(i === at);
    const [name, group, key] = ['span', 'span', 'kbd'].map(tag => document.createElement(tag));
    name.textContent = a.name;
    group.textContent = a.group;
    group.className = 'muted';
    key.textContent = a.key;
    option.append(name, group, ...a.key ? [key] : []);
    option.addEventListener('click', () => run(a));
    return option;
  }));
  input.setAttribute('aria-activedescendant', shown.length ? `action-${at}` : '');
  dialog.querySelector('[role=status]').textContent = shown.length ? '' : 'Nothing here is called so.';
};

const open = () => {
  before = document.activeElement;
  all = find();
  input.value = '';
  at = 0;
  show();
  dialog.showModal();
  input.focus();
};

const run = action => {
  dialog.close();
  before?.focus?.();
  // What lies in a closed menu is shown when it is done; a menu itself opens by its own click.
  if (action.control.localName !== 'summary') {
    action.control.closest('details')?.setAttribute('open', '');
  }
  action.control.click();
};

document.querySelector('#actions-open')?.addEventListener('click', open);
document.addEventListener('keydown', event => {
  if (event.key === ';' && !event.ctrlKey && !event.metaKey && !event.altKey && !event.target.matches('input, textarea, select')) {
    event.preventDefault();
    open();
  }
});
input.addEventListener('input', () => { at = 0; show(); });
dialog.addEventListener('keydown', event => {
  event.stopPropagation();
  const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
  if (step && shown.length) {
    event.preventDefault();
    at = (at + step + shown.length) % shown.length;
    show();
  } else if (event.key === 'Enter' && shown[at]) {
    event.preventDefault();
    run(shown[at]);
  }
});
dialog.addEventListener('click', event => event.target === dialog && dialog.close());
