// The home page of the website, 1440 wide.
import { definitions, icon, styles, text } from './parts.mjs';

const card = (i, shape, name, title, words) => `
    <g data-name="${name}" transform="translate(${120 + i * 408} 0)">
      <use href="#card-face" data-name="card face"/>
      <g data-name="icon on disc"><circle cx="58" cy="762" r="30" fill="#1d2550"/><g data-name="${shape}" transform="translate(40 744) scale(1.5)">${icon(shape, 0, 0, 'Group 7').replace(/^<g[^>]*>|<\/g>$/g, '')}</g></g>
      ${text('heading dark', 28, 836, title)}${text('body dark', 28, 862, words[0])}${text('body dark', 28, 884, words[1])}
      <g data-name="more link">${text('small', 28, 926, 'Read more', ' fill="#8a5a12" style="fill:#8a5a12"')}<path d="M96 922h16m-5-5 5 5-5 5" fill="none" stroke="#8a5a12" stroke-width="1.5"/></g>
    </g>`;

export const website = photos => `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1440 1320" width="1440" height="1320">
  <style>${styles}
    .hero { font: 700 64px Figtree, sans-serif; fill: #fff }
    .lead { font: 400 22px Figtree, sans-serif; fill: #e6e4f2 }
    .nav { font: 500 16px Figtree, sans-serif; fill: #fff }
  </style>
  <defs>${definitions}
    <g id="card-face"><rect y="700" width="384" height="250" rx="18" fill="#fffaf0" filter="url(#lift)"/></g>
    <clipPath id="moon-small"><circle cx="1180" cy="1090" r="90"/></clipPath>
    <linearGradient id="veil" x1="0" y1="0" x2="0" y2="1"><stop offset=".3" stop-color="#141f44" stop-opacity="0"/><stop offset="1" stop-color="#141f44" stop-opacity=".9"/></linearGradient>
    <pattern id="dots" width="14" height="14" patternUnits="userSpaceOnUse"><circle cx="2" cy="2" r="1.2" fill="#d9cba8"/></pattern>
  </defs>
  <rect data-name="page background" width="1440" height="1320" fill="#f3ead8"/>
  <rect data-name="dotted ground" y="640" width="1440" height="390" fill="url(#dots)"/>
  <g data-name="hero">
    <image data-name="night sky" width="1440" height="640" preserveAspectRatio="xMidYMid slice" href="${photos.sky}"/>
    <rect data-name="veil" width="1440" height="640" fill="url(#veil)"/>
    ${text('hero', 120, 420, 'The sky is open tonight')}
    ${text('lead', 120, 466, 'A small observatory on Larkrise Hill. Come and look.')}
    <g data-name="visit-button">
      <rect data-name="box" x="120" y="506" width="220" height="60" rx="30" fill="url(#gold)" filter="url(#lift)"/>
      ${text('heading mid dark', 230, 542, 'Plan a visit')}
    </g>
    <g data-name="film-button"><rect x="364" y="506" width="190" height="60" rx="30" fill="none" stroke="#fff" stroke-width="2"/>${text('heading mid', 459, 542, 'Watch the film')}</g>
  </g>
  <g data-name="navigation">
    <g data-name="logo">
      <path data-name="dome" d="M120 74a26 26 0 0 1 52 0Z" fill="#f3e9d2"/><path data-name="slit" d="M143 50.500l8-2 4 25.500h-9Z" fill="#e5b45c"/><rect data-name="base" x="116" y="76" width="60" height="6" rx="2" fill="#f3e9d2"/>
      <text x="190" y="78" style="font:700 26px Figtree;fill:#fff;letter-spacing:.5px">Larkrise</text>
    </g>
    ${['Tonight', 'Visits', 'School', 'Telescope', 'Journal'].map((words, i) => text('nav', 760 + i * 104, 76, words)).join('')}
    <g data-name="language">${icon('pin', 1290, 58, 'Group 3')}${text('nav', 1320, 76, 'EN')}</g>
  </g>
  <g data-name="cards">${card(0, 'calendar', 'card visits', 'Open evenings', ['Every clear Thursday and Saturday,', 'from dusk until the last question.'])}${card(1, 'telescope', 'card lens', 'The great lens', ['Built in 1908 and still the sharpest', 'eye between here and the coast.'])}${card(2, 'star', 'card school', 'For schools', ['A morning with the sun telescope,', 'free for every class in the county.'])}
  </g>
  <g data-name="tonight strip">
    <rect data-name="Rectangle 12" x="120" y="1000" width="1200" height="180" rx="24" fill="#1d2550"/>
    <g data-name="moon" clip-path="url(#moon-small)"><image data-name="moon photo" x="1090" y="1000" width="180" height="180" preserveAspectRatio="none" href="${photos.moon}"/></g>
    ${text('title', 168, 1076, 'Saturn is up at half past nine')}
    ${text('body', 168, 1106, 'The rings are tilted towards us by eleven degrees this month.')}
    <g data-name="sparkles" fill="#e5b45c"><path d="M900 1050l4 12 12 4-12 4-4 12-4-12-12-4 12-4Z"/><path d="M960 1110l3 8 8 3-8 3-3 8-3-8-8-3 8-3Z"/><path d="M1010 1040l2 6 6 2-6 2-2 6-2-6-6-2 6-2Z"/></g>
    <g data-name="glow line" filter="url(#soft)"><path d="M168 1140h420" stroke="#e5b45c" stroke-width="4" stroke-linecap="round"/></g>
  </g>
  <g data-name="footer">
    <rect data-name="footer ground" y="1220" width="1440" height="100" fill="#141f44"/>
    ${text('body', 120, 1276, 'Larkrise Observatory, Hill Road 9')}
    <g data-name="social">${icon('heart', 1180, 1258, 'Path 4')}${icon('star', 1228, 1258, 'Path 4')}${icon('bell', 1276, 1258, 'Group 41')}</g>
  </g>
  <g data-name="columns" data-guide="true" fill="#ff4d6d" fill-opacity=".1" display="none">${Array.from({ length: 12 }, (_, i) => `<rect x="${120 + i * 102}" width="78" height="1320"/>`).join('')}</g>
</svg>
`.replaceAll(/(\d\.\d)00\b/g, '$1');
