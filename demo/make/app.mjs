// The visitor app: three phone screens on one board, each a drawing of its own inside.
import { definitions, guides, icon, statusBar, styles, tabBar, text } from './parts.mjs';

const screen = (name, x, fill, inside) => `
  <svg data-name="${name}" x="${x}" y="0" width="375" height="812" viewBox="0 0 375 812">
    <rect data-name="background" width="375" height="812" fill="url(#${fill})"/>${inside}
  </svg>`;

const tonight = moon => `${statusBar('21:04')}
    <g data-name="page-title">${text('title', 24, 92, 'Tonight')}${text('body', 24, 116, 'Clear until 2 am, no wind')}</g>
    ${icon('bell', 324, 70, 'bell')}
    <g data-name="moon-phase">
      <circle data-name="glow" cx="187.500" cy="236" r="132" fill="url(#halo)"/>
      <g data-name="disc" clip-path="url(#moon-disc)"><image data-name="moon photo" x="84.500" y="133" width="206" height="206" preserveAspectRatio="none" href="${moon}"/></g>
      <path data-name="shade" d="M187.500 133a103 103 0 0 1 0 206a150 150 0 0 0 0-206Z" fill="#0d1430" fill-opacity=".55"/>
    </g>
    <g data-name="phase text">${text('heading mid', 187.5, 376, 'Waxing gibbous')}${text('body mid', 187.5, 397, '82 % lit · sets 03:12')}</g>
    <g data-name="forecast-card">
      <rect class="panel" x="22" y="418" width="331" height="90" rx="14"/>
      ${['21', '22', '23', '00', '01'].map((hour, i) => `<g data-name="hour ${hour}">${text('small mid', 56 + i * 66, 442, hour)}${icon(i < 3 ? 'star' : i === 3 ? 'cloud' : 'moon', 44 + i * 66, 451, i === 3 ? 'Group 58' : i < 3 ? `Group ${41 + i}` : 'cloud-night')}${text('small mid', 56 + i * 66, 495, `${11 - i}°`)}</g>`).join('')}
    </g>
    <g data-name="next events">
      <g data-name="event row"><g id="row"><rect class="panel" x="22" y="522" width="331" height="58" rx="14"/></g>${icon('saturn', 38, 539, 'saturn')}${text('heading', 76, 547, 'Saturn at the great lens')}${text('body', 76, 567, '21:30 · dome 1 · 6 places')}${icon('heart', 314, 539, 'Path 4 copy')}</g>
      <g data-name="event row"><use href="#row" y="66"/>${icon('telescope', 38, 605, 'Group 41')}${text('heading', 76, 613, 'First look for children')}${text('body', 76, 633, '22:00 · terrace · 11 places')}${icon('heart', 314, 605, 'Path 4 copy 2')}</g>
    </g>
    <g data-name="book-button">
      <rect data-name="box" x="34" y="668" width="307" height="50" rx="25" fill="url(#gold)" filter="url(#lift)"/>
      ${text('heading mid dark', 187.5, 699, 'Book a place', ' data-name="label"')}
      <g data-name="book-button pressed" display="none"><rect x="34" y="668" width="307" height="50" rx="25" fill="#c48d34"/>${text('heading mid dark', 187.5, 699, 'Book a place')}</g>
    </g>${tabBar(0)}${guides}`;

const book = () => `${statusBar('21:06')}
    <g data-name="header">${icon('back', 20, 66, 'arrow-back')}${text('heading', 56, 84, 'Book a place')}<g data-name="price tag"><rect x="290" y="64" width="66" height="28" rx="14" fill="#e5b45c"/>${text('small mid dark', 323, 82, '€ 14')}</g></g>
    <g data-name="hero card">
      <rect class="panel" x="20" y="110" width="335" height="92" rx="16"/>
      <g data-name="badge"><circle cx="66" cy="156" r="28" fill="#f3e9d2"/><g transform="translate(54 144)"><circle cx="12" cy="12" r="6" fill="#b9772f"/><ellipse cx="12" cy="12" rx="12" ry="3.500" fill="none" stroke="#1d2340" stroke-width="1.500" transform="rotate(-22 12 12)"/></g></g>
      ${text('heading', 110, 150, 'Saturn at the great lens')}${icon('clock', 108, 160, 'clock')}${text('body', 138, 177, '21:30, 45 minutes')}
    </g>
    <g data-name="calendar">
      <g data-name="month">${text('heading', 24, 240, 'November')}${icon('calendar', 328, 222, 'calendar')}</g>
      <g data-name="weekdays">${['M', 'T', 'W', 'T', 'F', 'S', 'S'].map((day, i) => text('small mid', 44 + i * 48, 268, day)).join('')}</g>
      ${[0, 1, 2].map(week => `<g data-name="week ${week + 1}">${[0, 1, 2, 3, 4, 5, 6].map(day => {
    const number = week * 7 + day + 9;
    const chosen = number === 20;
    return `${chosen ? `<circle data-name="chosen day" cx="${44 + day * 48}" cy="${300 + week * 46}" r="18" fill="#e5b45c"/>` : ''}${text(chosen ? 'body mid dark' : 'body mid', 44 + day * 48, 305 + week * 46, number, number < 12 ? ' opacity=".45"' : '')}`;
  }).join('')}</g>`).join('')}
    </g>
    <g data-name="times">${['20:45', '21:30', '22:15'].map((time, i) => `<g data-name="time ${i + 1}"><rect x="${20 + i * 114}" y="458" width="107" height="44" rx="22" ${i === 1 ? 'fill="#e5b45c"' : 'class="panel"'}/>${text(i === 1 ? 'heading mid dark' : 'heading mid', 73.5 + i * 114, 486, time)}</g>`).join('')}</g>
    <g data-name="places">
      ${text('heading', 24, 550, 'Places')}${text('body', 24, 570, 'Children under 6 are free')}
      <g data-name="Group 12"><circle class="panel" cx="247" cy="552" r="20"/>${icon('minus', 235, 540, 'minus')}</g>${text('heading mid', 292, 559, '2')}<g data-name="Group 13"><circle class="panel" cx="337" cy="552" r="20"/>${icon('plus', 325, 540, 'plus')}</g>
    </g>
    <g data-name="where">${icon('pin', 22, 600, 'pin')}${text('body', 56, 617, 'Larkrise Hill, door at the small dome')}</g>
    <g data-name="reserve-button">
      <rect data-name="box" x="34" y="668" width="307" height="50" rx="25" fill="url(#gold)" filter="url(#lift)"/>
      ${text('heading mid dark', 187.5, 699, 'Reserve for € 28')}
    </g>${tabBar(1)}${guides}`;

const telescope = dome => `
    <g data-name="dome photo" clip-path="url(#photo-edge)"><image data-name="dome at dusk" width="375" height="300" preserveAspectRatio="xMidYMid slice" href="${dome}"/></g>
    <rect data-name="Rectangle 7" y="180" width="375" height="120" fill="url(#fade)"/>${statusBar('21:07')}
    <g data-name="round back button"><circle cx="40" cy="74" r="20" fill="#0f1736" fill-opacity=".6"/>${icon('back', 27, 62, 'arrow-back')}</g>
    <g data-name="page-title">${text('title', 24, 282, 'The great lens')}</g>
    <g data-name="facts">${[['Built', '1908'], ['Lens', '62 cm'], ['Tube', '9.400 m']].map(([name, value], i) => `<g data-name="fact"><rect class="panel" x="${20 + i * 114}" y="312" width="107" height="66" rx="14"/>${text('small mid', 73.5 + i * 114, 336, name)}${text('heading mid', 73.5 + i * 114, 360, value)}</g>`).join('')}</g>
    <g data-name="sky-map">
      <circle data-name="map ground" cx="187.500" cy="500" r="98" fill="#101a3c" stroke="#8385b8" stroke-width="1.500"/>
      <g data-name="rings" fill="none" stroke="#8385b8" stroke-opacity=".5" stroke-dasharray="2 4"><circle cx="187.500" cy="500" r="66"/><circle cx="187.500" cy="500" r="33"/></g>
      <g data-name="stars" fill="#f3e9d2">${[[150, 450, 2.5], [171, 462, 1.8], [196, 456, 2.2], [214, 470, 3], [240, 492, 1.6], [228, 528, 2.4], [196, 545, 1.8], [160, 530, 2], [136, 505, 2.8], [180, 505, 1.5], [206, 508, 1.7], [168, 484, 1.4]].map(([x, y, r]) => `<circle cx="${x}" cy="${y}" r="${r}"/>`).join('')}</g>
      <path data-name="Path 19" d="M150 450l21 12 25-6 18 14 26 22-12 36-32 17" fill="none" stroke="#f3e9d2" stroke-opacity=".6"/>
      <g data-name="pointer"><circle cx="214" cy="470" r="11" fill="none" stroke="#e5b45c" stroke-width="2"/><path d="M214 452v10M214 478v10M196 470h10M222 470h10" stroke="#e5b45c" stroke-width="2"/></g>
      <g data-name="directions">${text('small mid', 187.5, 417, 'N')}${text('small mid', 187.5, 592, 'S')}${text('small', 67, 505, 'W')}${text('small', 298, 505, 'E')}</g>
    </g>
    <g data-name="steer-button">
      <rect data-name="box" x="34" y="668" width="307" height="50" rx="25" fill="none" stroke="#e5b45c" stroke-width="2"/>
      ${text('heading mid amber', 187.5, 699, 'Steer it for five minutes')}
    </g>
    <g data-name="queue note">${icon('person', 60, 622, 'person')}${text('body', 94, 639, '4 people are before you')}</g>${tabBar(2)}${guides}`;

export const app = photos => `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1225 812" width="1225" height="812">
  <title>Visitor app</title>
  <style>${styles}
  </style>
  <defs>${definitions}
    <clipPath id="moon-disc"><circle cx="187.500" cy="236" r="103"/></clipPath>
    <clipPath id="photo-edge"><rect width="375" height="300"/></clipPath>
    <linearGradient id="fade" x1="0" y1="0" x2="0" y2="1"><stop offset="0" stop-color="#33386e" stop-opacity="0"/><stop offset="1" stop-color="#33386e"/></linearGradient>
  </defs>${screen('Tonight', 0, 'night', tonight(photos.moon))}${screen('Book a place', 425, 'dawn', book())}${screen('Telescope', 850, 'night', telescope(photos.dome))}
</svg>
`.replaceAll(/(\d\.\d)00\b/g, '$1');
