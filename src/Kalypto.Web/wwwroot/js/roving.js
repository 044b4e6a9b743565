// A list is one stop of Tab: arrows move within it, and coming back leads to where one was (the ARIA practice of a roving tabindex).
const across = ['.choice[role=group]', '.decide[role=group]', '.strip-screens'];
const down = ['.pack .tree', '.pack .shelf', '.recipes .kinds'];
const stops = new WeakMap();

const itemsOf = list => [...list.querySelectorAll('a[href], button')].filter(i => !i.disabled && i.checkVisibility());

// What is chosen already is where Tab leads to at first.
const settle = list => {
  const items = itemsOf(list);
  const stop = items.includes(stops.get(list)) ? stops.get(list) : items.find(i => i.ariaCurrent && i.ariaCurrent !== 'false' || i.ariaPressed === 'true') ?? items[0];
  items.forEach(i => { i.tabIndex = i === stop ? 0 : -1; });
};

const watch = (list, keys) => {
  let waits = false;
  const soon = () => {
    if (!waits) {
      waits = true;
      requestAnimationFrame(() => { waits = false; settle(list); });
    }
  };
  settle(list);
  new MutationObserver(soon).observe(list, { childList: true, subtree: true, attributes: true, attributeFilter: ['disabled', 'style', 'hidden', 'aria-current', 'aria-pressed'] });
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
    if (at < 0 || to === undefined || event.ctrlKey || event.metaKey || event.altKey || event.shiftKey) {
      return;
    }
    // Whatever else the page does with arrows is not meant here.
    event.preventDefault();
    event.stopPropagation();
    items[Math.min(Math.max(0, at + to), items.length - 1)].focus();
  });
};

const ends = { Home: -Infinity, End: Infinity };
document.querySelectorAll(across.join()).forEach(list => watch(list, { ArrowRight: 1, ArrowLeft: -1 }));
document.querySelectorAll(down.join()).forEach(list => watch(list, { ArrowRight: 1, ArrowLeft: -1, ArrowDown: 1, ArrowUp: -1, ...ends }));
