// Writes what is told of a number into a copy of its template.
const make = (name, attributes = {}, ...children) => {
  const element = document.createElement(name);
  Object.entries(attributes).forEach(([key, value]) => element.setAttribute(key, value));
  element.append(...children);
  return element;
};

const button = (words, act, attributes = {}) => {
  const made = make('button', { type: 'button', ...attributes }, words);
  made.addEventListener('click', act);
  return made;
};

const swatch = colour => {
  const made = make('i', { class: 'swatch', 'aria-hidden': 'true' });
  made.style.setProperty('--swatch', colour);
  return made;
};

export const fill = (copy, detail, code, on) => {
  const at = name => copy.querySelector(`[data-fill="${name}"], [data-list="${name}"]`);
  const drop = name => copy.querySelector(`[data-part="${name}"]`)?.remove();
  at('lies').textContent = detail.lies;
  at('edges').textContent = detail.edges;
  detail.near.forEach((near, i) => at('near').append(i ? ' · ' : '', `${near.distance} to `, button(`${near.number}`, () => on.go(near.number), { class: 'btn-text mono', title: near.name, 'aria-label': `number ${near.number}, ${near.name}` }), ` ${near.side}`));
  if (detail.words) {
    at('words').textContent = detail.words;
  } else {
    drop('words');
  }
  detail.values.forEach(value => at('values').append(make('div', {}, make('dt', {}, value.name), make('dd', { class: 'mono' },
    ...(value.swatch ? [swatch(value.swatch)] : []), value.value, ...(value.token ? [' ', make('span', { class: 'chip' }, value.token)] : [])))));
  if (code) {
    at('tabs').append(...detail.codes.map(c => button(c.name, () => on.language(c.id), { class: 'tab', 'aria-pressed': `${c.id === code.id}` })));
    at('code').textContent = code.code;
  } else {
    drop('codes');
  }
  if (detail.files.length) {
    at('files').append(...detail.files.map(f => make('tr', {}, make('td', {}, make('a', { class: 'mono', href: f.href, download: '' }, f.path)), make('td', { class: 'mono' }, f.size), make('td', { class: 'mono' }, f.weight))));
  } else {
    drop('files');
  }
  at('notes').textContent = detail.notes.join(' · ');
  copy.querySelectorAll('[data-copy]').forEach(b => b.addEventListener('click', () => on.copy(b.dataset.copy)));
  return copy;
};
