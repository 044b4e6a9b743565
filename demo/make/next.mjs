// The visitor app a week later: a second draft, as a designer's week leaves it.
import { icon, statusBar, tabBar, text } from './parts.mjs';

const bell = '<path class="line" d="M12 4.5a5.5 5.5 0 0 0-5.500 5.500v3.500l-2 3.500h15l-2-3.500v-3.500a5.500 5.500 0 0 0-5.500-5.500Z"/><path class="line" d="M10 20h4"/><circle class="amber" cx="17" cy="6" r="3"/>';
const star = '<path class="line" d="M12 3.500c.8 4.600 3.900 7.700 8.500 8.500-4.600.8-7.700 3.900-8.500 8.500-.8-4.600-3.900-7.700-8.500-8.500 4.600-.8 7.700-3.900 8.500-8.500Z"/>';

const visits = () => `
  <svg data-name="My visits" x="1275" y="0" width="375" height="812" viewBox="0 0 375 812">
    <rect data-name="background" width="375" height="812" fill="url(#night)"/>${statusBar('21:08')}
    <g data-name="page-title">${text('title', 24, 92, 'My visits')}</g>
    <g data-name="ticket"><rect data-name="paper" x="24" y="130" width="327" height="150" rx="16" fill="#f3e9d2"/>${icon('ticket', 44, 150, 'ticket-mark')}${text('heading dark', 84, 168, 'Saturn at the great lens')}${text('body dark', 84, 192, 'Friday 20 November, 21:30')}<path data-name="tear line" d="M44 226h287" fill="none" stroke="#1d2340" stroke-dasharray="3 5"/>${text('small dark', 44, 256, '2 places · door at the small dome')}</g>
    <g data-name="empty note">${icon('calendar', 176, 360, 'calendar')}${text('body mid', 187.5, 412, 'Nothing else is booked')}</g>${tabBar(1)}
  </svg>`;

const ids = { night: 'paint-1', dawn: 'paint-2', gold: 'paint-3', halo: 'paint-4', fade: 'paint-5', lift: 'effect-1', soft: 'effect-2', 'moon-disc': 'cut-1', 'photo-edge': 'cut-2', row: 'event-ground' };

// Each change must find what it changes.
const change = (drawing, from, to) => {
  if (!drawing.includes(from)) {
    throw new Error(`The first draft has no ${from}`);
  }
  return drawing.replaceAll(from, to);
};

const inside = (drawing, name) => drawing.match(new RegExp(`<g data-name="${name}" transform="[^"]*">(.*?)</g>`))[1];

export const nextWeek = first => {
  let drawing = first;
  // Two icons are drawn anew, the star in all its places.
  drawing = change(drawing, inside(drawing, 'bell'), bell);
  drawing = change(drawing, inside(drawing, 'Group 41'), star);
  // The forecast moves down a little, the button gets another colour, a text says something else.
  drawing = change(drawing, '<g data-name="forecast-card">', '<g data-name="forecast-card" transform="translate(0 6)">');
  drawing = change(drawing, '<stop offset="0" stop-color="#f0c777"/><stop offset="1" stop-color="#dba348"/>', '<stop offset="0" stop-color="#c9dc6e"/><stop offset="1" stop-color="#9fba37"/>');
  drawing = change(drawing, '21:30 · dome 1 · 6 places', '21:30 · dome 1 · 4 places');
  // Three layers and a screen are named otherwise, one icon is gone.
  drawing = change(drawing, 'data-name="saturn"', 'data-name="planet-saturn"');
  drawing = change(drawing, 'data-name="moon-phase"', 'data-name="moon-tonight"');
  drawing = change(drawing, 'data-name="Path 4 copy 2"', 'data-name="favourite"');
  drawing = change(drawing, '<svg data-name="Telescope"', '<svg data-name="The great lens"');
  drawing = change(drawing, drawing.match(/<g data-name="cloud-night".*?<\/g>/)[0], '');
  // One note gave way to another: only people can say whether it is the same.
  drawing = change(drawing, drawing.match(/<g data-name="queue note".*?<\/text><\/g>/)[0], `<g data-name="waiting time">${icon('clock', 66, 624, 'clock')}${text('small', 100, 640, 'Your turn is in 20 minutes')}</g>`);
  // A screen is new, and the program gave every id anew.
  drawing = change(drawing, 'viewBox="0 0 1225 812" width="1225"', 'viewBox="0 0 1650 812" width="1650"');
  drawing = drawing.replace(/\n<\/svg>\s*$/, `${visits()}\n</svg>\n`);
  return drawing.replaceAll(/(id="|#)([a-z-]+)(?=["')])/g, (all, before, id) => (ids[id] ? before + ids[id] : all)).replaceAll(/(\d\.\d)00\b/g, '$1');
};
