import { strokeText, strokeTextWidth } from './strokeFont.ts';

/** A drawing of the made-up shop: an SVG source and how it becomes the customer's PNG. */
export interface DemoArt {
  key: string;
  fileName: string;
  svg: string;
  /** Width of the PNG, px. */
  widthPx: number;
  /** Painted behind the art, as careless exports do; `null` keeps it transparent. */
  background: string | null;
}

const svg = (width: number, height: number, body: string): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}">${body}</svg>`;

const centred = (
  text: string,
  middle: number,
  y: number,
  height: number,
  colour: string,
  width: number,
): string => strokeText(text, middle - strokeTextWidth(text, height) / 2, y, height, { colour, width });

const KITE = `
  <polygon points="200,20 300,150 200,330 100,150" fill="#f2b705"/>
  <polygon points="200,20 300,150 200,150" fill="#e4572e"/>
  <polygon points="200,330 100,150 200,150" fill="#2e86ab"/>
  <path d="M200,330 C170,360 240,390 205,425 C180,450 235,470 215,500" fill="none" stroke="#f2f2ee" stroke-width="5"/>
  <polygon points="190,372 212,384 188,392" fill="#e4572e"/><polygon points="216,432 196,446 220,452" fill="#2e86ab"/>`;

const WAVES = [0, 1, 2]
  .map(
    (i) =>
      `<path d="M20,${430 + 26 * i} q45,-24 90,0 t90,0 t90,0 t90,0" fill="none" stroke="#7cc6d6" stroke-width="9"/>`,
  )
  .join('');

const HERON = `
  <path d="M60,190 C70,110 110,90 120,40 C123,22 150,18 158,34 L205,42 L158,50 C150,96 175,112 182,150 C190,190 150,214 110,210 L112,270 M128,210 L130,270"
    fill="none" stroke="#f4f1e8" stroke-width="12" stroke-linejoin="round" stroke-linecap="round"/>
  <circle cx="146" cy="34" r="4" fill="#f4f1e8"/>`;

const COMPASS = Array.from({ length: 72 }, (_, i) => {
  const angle = (i * Math.PI) / 36;
  const inner = i % 6 === 0 ? 60 : 120;
  const at = (r: number): string =>
    `${(200 + r * Math.cos(angle)).toFixed(2)},${(200 + r * Math.sin(angle)).toFixed(2)}`;
  return `<polyline points="${at(inner)} ${at(185)}" stroke="#f5f0dc" stroke-width="${i % 6 === 0 ? 0.7 : 0.35}" fill="none"/>`;
}).join('');

const SHEET = Array.from({ length: 14 }, (_, i) =>
  strokeText(
    ['DAWN LAUNCH AT THE NORTH PIER', 'NOON STUNT TEAMS ON THE SAND', 'DUSK LANTERNS OVER THE WATER'][
      i % 3
    ] ?? '',
    20,
    110 + i * 20,
    7,
    { colour: '#1d2b33', width: 0.9 },
  ),
).join('');

const FEATHERS = [0, 1, 2, 3]
  .map(
    (i) =>
      `<path d="M${80 + i * 30},${150 + (i % 2) * 12} q15,22 30,0" fill="none" stroke="#2b2118" stroke-width="5"/>`,
  )
  .join('');

/** Everything the demo's customers have sent in, the classic faults among it. */
export const DEMO_ART: readonly DemoArt[] = [
  {
    key: 'kite',
    fileName: 'kite-club-front.png',
    widthPx: 2400,
    background: null,
    svg: svg(400, 560, KITE + centred('GULL ROCK', 200, 520, 30, '#f2f2ee', 6)),
  },
  {
    key: 'kite-box',
    fileName: 'kite-night-flight.png',
    widthPx: 2000,
    background: '#050505', // the classic: exported on black, meant for a black garment
    svg: svg(400, 560, KITE + WAVES),
  },
  {
    key: 'glow',
    fileName: 'lantern-glow.png',
    widthPx: 1800,
    background: null,
    svg: svg(
      400,
      400,
      `<defs><radialGradient id="g"><stop offset="0" stop-color="#ffd76a" stop-opacity="1"/><stop offset=".35" stop-color="#ff9a3c" stop-opacity=".75"/><stop offset="1" stop-color="#ff5a3c" stop-opacity="0"/></radialGradient></defs>
       <circle cx="200" cy="200" r="190" fill="url(#g)"/><rect x="160" y="130" width="80" height="120" rx="14" fill="#ffe9b0"/><rect x="170" y="118" width="60" height="14" fill="#7a3b12"/><rect x="170" y="248" width="60" height="14" fill="#7a3b12"/>`,
    ),
  },
  {
    key: 'compass',
    fileName: 'compass-hairlines.png',
    widthPx: 2200,
    background: null,
    svg: svg(
      400,
      400,
      `${COMPASS}<circle cx="200" cy="200" r="188" fill="none" stroke="#f5f0dc" stroke-width="0.5"/><polygon points="200,40 214,200 200,360 186,200" fill="#d9b44a"/>`,
    ),
  },
  {
    key: 'marker',
    fileName: 'marshal-block.png',
    widthPx: 2600,
    background: null,
    svg: svg(
      400,
      320,
      `<rect x="8" y="8" width="384" height="304" rx="24" fill="#10545c"/>${centred('MARSHAL', 200, 130, 60, '#ffffff', 12)}`,
    ),
  },
  {
    key: 'programme',
    fileName: 'festival-programme.png',
    widthPx: 2400,
    background: null,
    svg: svg(400, 420, centred('KITE WEEK', 200, 30, 44, '#c2305a', 9) + SHEET),
  },
  {
    key: 'gull',
    fileName: 'gull-left-chest.png',
    widthPx: 1100,
    background: null,
    svg: svg(
      300,
      200,
      `<path d="M10,120 C60,40 110,40 150,110 C190,40 240,40 290,120 C235,80 195,90 150,150 C105,90 65,80 10,120Z" fill="#f4f6f6"/><polygon points="142,128 158,128 150,150" fill="#f2a007"/>`,
    ),
  },
  {
    key: 'heron',
    fileName: 'heron-badge.png',
    widthPx: 1200,
    background: null,
    svg: svg(
      280,
      290,
      `<circle cx="140" cy="145" r="136" fill="#1f4d3a"/><circle cx="140" cy="145" r="124" fill="none" stroke="#f4f1e8" stroke-width="4"/>${HERON}`,
    ),
  },
  {
    key: 'choir',
    fileName: 'reed-choir.png',
    widthPx: 2200,
    background: null,
    svg: svg(
      400,
      300,
      [0, 1, 2, 3, 4]
        .map(
          (i) =>
            `<path d="M20,${90 + i * 22} C140,${60 + i * 22} 260,${130 + i * 22} 380,${90 + i * 22}" fill="none" stroke="#5b2a6d" stroke-width="4"/>`,
        )
        .join('') +
        [60, 130, 205, 290]
          .map(
            (x, i) =>
              `<ellipse cx="${x}" cy="${140 + (i % 2) * 26}" rx="17" ry="13" fill="#5b2a6d"/><rect x="${x + 13}" y="${60 + (i % 2) * 26}" width="5" height="82" fill="#5b2a6d"/>`,
          )
          .join('') +
        centred('REED BAY SINGERS', 200, 240, 25, '#b5446e', 5),
    ),
  },
  {
    key: 'owl',
    fileName: 'owl-bookshop.png',
    widthPx: 2000,
    background: null,
    svg: svg(
      260,
      340,
      `<path d="M40,60 Q130,0 220,60 V220 Q130,310 40,220Z" fill="#8a5a2b"/><circle cx="92" cy="110" r="34" fill="#fbf3e0"/><circle cx="168" cy="110" r="34" fill="#fbf3e0"/><circle cx="92" cy="110" r="15" fill="#2b2118"/><circle cx="168" cy="110" r="15" fill="#2b2118"/><polygon points="130,120 142,150 118,150" fill="#e09f3e"/>${FEATHERS}${centred('PAGE ISLE', 130, 312, 22, '#2b2118', 4)}`,
    ),
  },
  {
    key: 'cup',
    fileName: 'mooring-cafe.png',
    widthPx: 900,
    background: null,
    svg: svg(
      200,
      200,
      `<path d="M40,80 H140 V130 Q140,165 90,165 Q40,165 40,130Z" fill="#fefefe"/><path d="M140,92 q34,0 30,28 q-4,22 -34,18" fill="none" stroke="#fefefe" stroke-width="10"/><path d="M70,64 q-10,-14 0,-26 M96,64 q-10,-14 0,-26" fill="none" stroke="#e7b98f" stroke-width="6"/>`,
    ),
  },
  {
    key: 'crew',
    fileName: 'crew-back.png',
    widthPx: 2600,
    background: null,
    svg: svg(400, 160, centred('CREW', 200, 34, 92, '#f5f5f0', 20)),
  },
  {
    key: 'low',
    fileName: 'sunset-from-the-web.png',
    widthPx: 420, // too few pixels for a full front
    background: null,
    svg: svg(
      400,
      300,
      `<rect width="400" height="300" rx="20" fill="#f28f3b"/><circle cx="200" cy="190" r="80" fill="#f9d976"/><rect y="190" width="400" height="110" fill="#2d4a6b"/>`,
    ),
  },
];
