// A list is one stop of Tab: arrows move within it, and coming back leads to where one was (the ARIA practice of a roving tabindex).
const across = ['.choice[role=group]', '.decide[role=group]', '.strip-screens', '.plates-tools .tags-row'];
const down = ['.pack .tree', '.pack .shelf', '.recipes .kinds'];
// Lists whose rows hold several things each: Tab leads to those of one row. Where the page itself moves from row to row, its row is that one.
const ofRows = [{ list: '.findings-page', row: '.check-block li', isMoved: false }, { list: '.changes-ledger', row: '.change', isMoved: true }, { list: '.key-side', row: '.pin-row', isMoved: true }];

const stops = new WeakMap();
const isPlain = event => !event.ctrlKey && !event.metaKey && !event.altKey && !event.shiftKey;

const itemsOf = list => [...list.querySelectorAll('a[href], button')].filter(i => !i.disabled && i.checkVisibility());
const heldIn = row => [...row.querySelectorAll('a[href], button, input, select, [tabindex]')];

// Soon after a change, and once for all changes of a moment.
const onChange = (list, settle, attributes) => {
  let waits = false;
  settle();
  new MutationObserver(() => {
    if (!waits) {
      waits = true;
      requestAnimationFrame(() => { waits = false; settle(); });
    }
  }).observe(list, { childList: true, subtree: true, attributes: true, attributeFilter: attributes });
};

// What is chosen already is where Tab leads to at first.
const settle = list => {
  const items = itemsOf(list);
  const stop = items.includes(stops.get(list)) ? stops.get(list) : items.find(i => i.ariaCurrent && i.ariaCurrent !== 'false' || i.ariaPressed === 'true') ?? items[0];
  items.forEach(i => { i.tabIndex = i === stop ? 0 : -1; });
};

const watch = (list, keys) => {
  onChange(list, () => settle(list), ['disabled', 'style', 'hidden', 'aria-current', 'aria-pressed']);
  list.addEventListener('focusin', event => {
    const item = event.target.closest('a[href], button');
    if (item && list.contains(item)) {
      stops.set(list, item);
      settle(list);
    }
  });
  list.addEventListener('keydown', event => {
    const items = itemsOf(list);
    const at = items.indexOf(event.target);
    const to = keys[event.key];
    if (at < 0 || to === undefined || !isPlain(event)) {
      return;
    }
    // Whatever else the page does with arrows is not meant here.
    event.preventDefault();
    event.stopPropagation();
    items[Math.min(Math.max(0, at + to), items.length - 1)].focus();
  });
};

const watchRows = (list, { row, isMoved }) => {
  let at = 0;
  let last = null;
  const rowsOf = () => [...list.querySelectorAll(row)].filter(r => r.checkVisibility());
  const arrange = () => {
    const rows = rowsOf();
    const here = isMoved ? rows.findIndex(r => r.classList.contains('here')) : -1;
    at = Math.max(0, here >= 0 ? here : Math.min(at, rows.length - 1));
    rows.forEach((r, i) => heldIn(r).forEach(thing => { thing.tabIndex = i === at ? 0 : -1; }));
    // What one stood on has gone, as a finding does that is settled: one stands on what came in its place.
    if (last && !last.isConnected && document.activeElement === document.body && rows.length) {
      last = null;
      heldIn(rows[at]).find(thing => thing.checkVisibility())?.focus();
    }
  };
  onChange(list, arrange, ['class', 'hidden', 'style']);
  list.addEventListener('focusin', event => {
    const focused = event.target.closest(row);
    last = focused ? event.target : null;
    if (focused && !isMoved) {
      at = rowsOf().indexOf(focused);
      arrange();
    }
  });
  list.addEventListener('keydown', event => {
    const focused = event.target.closest(row);
    const by = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (isMoved || !focused || !by || !isPlain(event) || event.target.matches('input, select, textarea')) {
      return;
    }
    event.preventDefault();
    event.stopPropagation();
    const rows = rowsOf();
    const next = rows[Math.min(Math.max(0, rows.indexOf(focused) + by), rows.length - 1)];
    const shown = heldIn(next).filter(thing => thing.checkVisibility());
    (shown.find(thing => thing.className === event.target.className) ?? shown[0])?.focus();
  });
};

const ends = { Home: -Infinity, End: Infinity };
document.querySelectorAll(across.join()).forEach(list => watch(list, { ArrowRight: 1, ArrowLeft: -1 }));
document.querySelectorAll(down.join()).forEach(list => watch(list, { ArrowRight: 1, ArrowLeft: -1, ArrowDown: 1, ArrowUp: -1, ...ends }));
ofRows.forEach(sort => document.querySelectorAll(sort.list).forEach(list => watchRows(list, sort)));
