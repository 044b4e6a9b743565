// Pieces that the demo screens share: icons, a shadow, type styles.
export const styles = `
    :root { --night: #141f44; --dusk: #4c4d86; --amber: #e5b45c; --cream: #f3e9d2; --mist: rgb(255 255 255 / 12%) }
    .title { font: 700 30px Figtree, sans-serif; fill: var(--cream) }
    .heading { font: 600 18px Figtree, sans-serif; fill: var(--cream) }
    .body { font: 400 14px Figtree, sans-serif; fill: #c9cbe4 }
    .small { font: 500 12px Figtree, sans-serif; fill: #c9cbe4 }
    .dark { fill: #1d2340 }
    .amber { fill: var(--amber) }
    .mid { text-anchor: middle }
    .panel { fill: var(--mist) }
    .line { fill: none; stroke: var(--cream); stroke-width: 1.75; stroke-linecap: round; stroke-linejoin: round }
    .dim { stroke: #9a9cc4 }`;

export const definitions = `
    <linearGradient id="night" x1="0" y1="0" x2="0" y2="1"><stop offset="0" stop-color="#141f44"/><stop offset=".62" stop-color="#33386e"/><stop offset="1" stop-color="#56508a"/></linearGradient>
    <linearGradient id="dawn" x1="0" y1="0" x2="0" y2="1"><stop offset="0" stop-color="#1d2550"/><stop offset=".7" stop-color="#5a5388"/><stop offset="1" stop-color="#c58a78"/></linearGradient>
    <linearGradient id="gold" x1="0" y1="0" x2="0" y2="1"><stop offset="0" stop-color="#f0c777"/><stop offset="1" stop-color="#dba348"/></linearGradient>
    <radialGradient id="halo"><stop offset=".55" stop-color="#f7ecd0" stop-opacity=".5"/><stop offset="1" stop-color="#f7ecd0" stop-opacity="0"/></radialGradient>
    <filter id="lift" x="-20%" y="-40%" width="140%" height="220%"><feDropShadow dx="0" dy="6" stdDeviation="8" flood-color="#0a0f26" flood-opacity=".45"/></filter>
    <filter id="soft" x="-30%" y="-30%" width="160%" height="160%"><feGaussianBlur stdDeviation="5"/></filter>`;

// Icons on a 24 x 24 box, as strokes and shapes.
const drawn = {
  bell: '<path class="line" d="M12 3.5a6 6 0 0 0-6 6v4L4 17h16l-2-3.5v-4a6 6 0 0 0-6-6Z"/><path class="line" d="M9.8 19.5a2.4 2.4 0 0 0 4.4 0"/>',
  back: '<path class="line" d="M15 5 8 12l7 7"/>',
  moon: '<path class="line" d="M19 14.5A8 8 0 0 1 9.5 5a8 8 0 1 0 9.5 9.5Z"/>',
  ticket: '<path class="line" d="M3.5 7h17v3.2a2 2 0 0 0 0 3.6V17h-17v-3.2a2 2 0 0 0 0-3.6Z"/><path class="line" d="M14.5 7.5v1.5M14.5 11.2v1.6M14.5 15v1.5"/>',
  telescope: '<path class="line" d="m4 13.5 12-6 2 4-12 5.4ZM16.6 7l2.6-1.2 1.6 3.4L18.2 10.600M10.5 15 8 20.500M12.500 14.200 15.500 20.500"/>',
  person: '<circle class="line" cx="12" cy="8.5" r="3.8"/><path class="line" d="M4.500 20c.8-4 3.700-6 7.500-6s6.700 2 7.500 6"/>',
  calendar: '<rect class="line" x="4" y="5.5" width="16" height="14.5" rx="2.500"/><path class="line" d="M4 10h16M8.500 3.500v4M15.500 3.500v4"/>',
  star: '<path class="line" d="m12 4 2.300 5 5.500.6-4.100 3.700 1.200 5.400L12 16l-4.900 2.700 1.200-5.400-4.100-3.700 5.500-.6Z"/>',
  saturn: '<circle cx="12" cy="12" r="5" fill="#e5b45c"/><ellipse cx="12" cy="12" rx="10.500" ry="3" fill="none" stroke="#f3e9d2" stroke-width="1.500" transform="rotate(-22 12 12)"/>',
  cloud: '<path class="line" d="M7 18.500a4 4 0 0 1-.4-8A5.500 5.500 0 0 1 17 9.500a4.500 4.500 0 0 1 .5 9Z"/>',
  pin: '<path class="line" d="M12 21c4.500-5 6.500-8 6.500-11a6.500 6.500 0 0 0-13 0c0 3 2 6 6.500 11Z"/><circle class="line" cx="12" cy="10" r="2.300"/>',
  clock: '<circle class="line" cx="12" cy="12" r="8.500"/><path class="line" d="M12 7v5.300l3.500 2"/>',
  minus: '<path class="line" d="M6 12h12"/>',
  plus: '<path class="line" d="M6 12h12M12 6v12"/>',
  heart: '<path class="line" d="M12 19.500S4 14.500 4 9.300A4.300 4.300 0 0 1 12 7a4.300 4.300 0 0 1 8 2.300c0 5.200-8 10.200-8 10.200Z"/>',
};

export const icon = (shape, x, y, name = shape, more = '') =>
  `<g data-name="${name}" transform="translate(${x} ${y})"${more}>${drawn[shape]}</g>`;

export const text = (style, x, y, words, more = '') => `<text class="${style}" x="${x}" y="${y}"${more}>${words}</text>`;

export const statusBar = time => `
    <g data-name="status-bar">
      <text class="small" x="24" y="30" style="font-weight:600">${time}</text>
      <g data-name="signal"><rect x="296" y="25" width="3" height="5" rx="1" fill="#f3e9d2"/><rect x="301" y="22" width="3" height="8" rx="1" fill="#f3e9d2"/><rect x="306" y="19" width="3" height="11" rx="1" fill="#f3e9d2"/></g>
      <g data-name="battery"><rect x="320" y="19.500" width="22" height="11" rx="3" fill="none" stroke="#f3e9d2"/><rect x="322" y="21.500" width="14" height="7" rx="1.500" fill="#f3e9d2"/><path d="M344 23.500v3" stroke="#f3e9d2" stroke-width="1.500"/></g>
    </g>`;

export const tabBar = active => `
    <g data-name="tab-bar">
      <rect data-name="tab background" y="734" width="375" height="78" fill="#0f1736"/>
      ${[['moon', 'Tonight'], ['ticket', 'Visits'], ['telescope', 'Telescope'], ['person', 'Me']].map(([shape, words], i) => `
      <g data-name="tab ${words.toLowerCase()}"${i === active ? '' : ' opacity=".6"'}>${icon(shape, 36 + i * 94, 746, `tab-${shape}`)}${text(i === active ? 'small mid amber' : 'small mid', 48 + i * 94, 788, words)}</g>`).join('')}
    </g>`;

export const guides = `
    <g id="layout_grid" data-name="layout grid" data-guide="true" display="none" fill="#ff4d6d" fill-opacity=".12">
      <rect x="16" width="67" height="812"/><rect x="99" width="67" height="812"/><rect x="182" width="67" height="812"/><rect x="265" width="94" height="812"/>
    </g>`;
