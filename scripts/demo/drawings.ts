import { outlinesOf } from '../../web/data/photos/lettering.ts';

/** What the demo has in place of photos: drawn here, of nothing and nobody. */

export const drawingSize = { width: 1024, height: 768 } as const;

const svg = (body: string): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${drawingSize.width}" height="${drawingSize.height}">${body}</svg>`;

const grain = `<filter id="grain"><feTurbulence type="fractalNoise" baseFrequency="0.8" numOctaves="2" seed="4"/><feColorMatrix values="0 0 0 0 0.5  0 0 0 0 0.45  0 0 0 0 0.4  0 0 0 0.10 0"/></filter>`;

const wall = (colour: string): string =>
  `<rect width="1024" height="768" fill="${colour}"/><rect width="1024" height="768" filter="url(#grain)"/>`;

/** One half of a duplex receptacle, its middle at (512, `y`). */
const half = (y: number): string => `
  <ellipse cx="512" cy="${y}" rx="92" ry="80" fill="#efe8d6" stroke="#b9ad92" stroke-width="3"/>
  <rect x="462" y="${y - 44}" width="13" height="52" rx="3" fill="#2a241b"/>
  <rect x="549" y="${y - 38}" width="13" height="42" rx="3" fill="#2a241b"/>
  <path d="M494 ${y + 34}a18 18 0 0 1 36 0v12h-36z" fill="#2a241b"/>`;

/** A receptacle in its plate, browned round the lower hot slot. */
export const scorchedReceptacle = (): string =>
  svg(`<defs>${grain}
    <radialGradient id="burn"><stop offset="0" stop-color="#1b130c" stop-opacity=".95"/><stop offset=".35" stop-color="#4a3018" stop-opacity=".8"/><stop offset="1" stop-color="#8a6233" stop-opacity="0"/></radialGradient></defs>
    ${wall('#d9cfbb')}
    <rect x="372" y="130" width="280" height="500" rx="22" fill="#f6f0e0" stroke="#c7bb9f" stroke-width="4"/>
    ${half(262)}${half(498)}
    <circle cx="512" cy="380" r="15" fill="#b7ae9b" stroke="#8d8471" stroke-width="3"/><path d="M503 380h18" stroke="#6d6555" stroke-width="4"/>
    <ellipse cx="566" cy="490" rx="120" ry="104" fill="url(#burn)"/>
    <path d="M556 462q14 26 2 60" stroke="#120c07" stroke-width="9" fill="none"/>`);

const cable = (d: string, jacket: string): string =>
  `<path d="${d}" stroke="#5f5748" stroke-width="34" fill="none" stroke-linecap="round"/><path d="${d}" stroke="${jacket}" stroke-width="28" fill="none" stroke-linecap="round"/>`;
const conductor = (d: string, colour: string, width = 12): string =>
  `<path d="${d}" stroke="#241f18" stroke-width="${width + 3}" fill="none" stroke-linecap="round"/><path d="${d}" stroke="${colour}" stroke-width="${width}" fill="none" stroke-linecap="round"/>`;

/** An open box: the ends of dull, silver-coloured conductors under the screws of a device that was drawn out. */
export const aluminumInBox = (): string =>
  svg(`<defs>${grain}</defs>${wall('#cfc6b4')}
    <rect x="250" y="90" width="330" height="590" fill="#3c3a36" stroke="#77736a" stroke-width="16"/>
    ${cable('M330 70 L338 220', '#b9b39f')}${cable('M470 70 L462 220', '#b9b39f')}
    ${conductor('M338 220 C330 330 520 300 640 330', '#1f1c18')}
    ${conductor('M462 220 C470 300 540 280 640 300', '#1f1c18')}
    ${conductor('M338 220 C360 420 520 480 640 452', '#e7e1d2')}
    ${conductor('M462 220 C470 430 540 470 640 482', '#e7e1d2')}
    ${['330', '300', '452', '482'].map((y) => conductor(`M640 ${y} h46`, '#c4c8cc', 10)).join('')}
    <rect x="668" y="220" width="150" height="350" rx="14" fill="#e9e2cf" stroke="#a99f88" stroke-width="4"/>
    ${['314', '468'].map((y) => `<circle cx="690" cy="${y}" r="22" fill="#b59a5a" stroke="#7d6a3a" stroke-width="4"/><path d="M676 ${y}h28" stroke="#5d4f2b" stroke-width="5"/>`).join('')}
    <path d="M716 250q30 40 30 140t-30 150" stroke="#8d8470" stroke-width="5" fill="none"/>`);

const lines = [
  ['1', 'Range'],
  ['2', 'Dryer'],
  ['5', 'Kitchen counter left'],
  ['6', 'Kitchen counter right'],
  ['7', 'Bedrooms'],
  ['8', 'Living, dining'],
  ['9', 'Sunroom'],
  ['10', 'Laundry'],
  ['11', 'Bath, hall, entry'],
  ['12', 'Family room'],
  ['16', ''],
] as const;

/** The card inside a panel's door, with a telephone number in its corner. */
export const panelDirectory = (): string => {
  const rows = lines.map(([number, feeds], index) => {
    const y = 168 + index * 46;
    return `<path d="M190 ${y + 12}H830" stroke="#b8b09c" stroke-width="2"/>${outlinesOf(number, { x: 204, y, size: 30, ink: '#2a2620' })}${outlinesOf(feeds, { x: 290, y, size: 30, ink: '#23418a' })}`;
  });
  return svg(`<defs>${grain}</defs>${wall('#8f958f')}
    <rect x="160" y="60" width="700" height="650" fill="#f3ecd9" stroke="#5e5a50" stroke-width="3"/>
    ${outlinesOf('Directory', { x: 200, y: 116, size: 38, ink: '#2a2620' })}
    ${outlinesOf('555 0142', { x: 640, y: 112, size: 32, ink: '#23418a' })}
    <path d="M270 130V690" stroke="#b8b09c" stroke-width="2"/>${rows.join('')}`);
};
