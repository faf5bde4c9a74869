/** Draws the made-up workshop's photos: things on a steel tray under a lamp. `node --import tsx demo/pictures.ts`, then demo/make.ts. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';

const [WIDTH, HEIGHT] = [1200, 900];

const onTray = (things: string, angle: number): string => `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDTH}" height="${HEIGHT}">
<defs>
<linearGradient id="tray" x1="0" y1="0" x2="1" y2="1"><stop offset="0" stop-color="#8d8a80"/><stop offset=".5" stop-color="#6f6c64"/><stop offset="1" stop-color="#45423c"/></linearGradient>
<linearGradient id="steel" x1="0" y1="0" x2="1" y2="1"><stop offset="0" stop-color="#e7e9e8"/><stop offset=".35" stop-color="#a7abab"/><stop offset=".6" stop-color="#c9cccb"/><stop offset="1" stop-color="#6e7272"/></linearGradient>
<linearGradient id="iron" x1="0" y1="0" x2="1" y2="1"><stop offset="0" stop-color="#a39a8a"/><stop offset=".6" stop-color="#6d6557"/><stop offset="1" stop-color="#423c33"/></linearGradient>
<linearGradient id="bronze" x1="0" y1="0" x2="1" y2="1"><stop offset="0" stop-color="#ecc98a"/><stop offset=".4" stop-color="#b58a45"/><stop offset=".65" stop-color="#d1a45c"/><stop offset="1" stop-color="#6f5022"/></linearGradient>
<radialGradient id="lamp" cx=".36" cy=".28" r=".9"><stop offset="0" stop-color="#fff6df" stop-opacity=".42"/><stop offset=".5" stop-color="#fff6df" stop-opacity="0"/><stop offset="1" stop-color="#000" stop-opacity=".55"/></radialGradient>
<filter id="scuffs"><feTurbulence type="fractalNoise" baseFrequency=".004 .35" numOctaves="3" seed="${angle}"/><feColorMatrix values="0 0 0 0 0  0 0 0 0 0  0 0 0 0 0  0 0 0 -.9 .62"/></filter>
<filter id="grain"><feTurbulence type="fractalNoise" baseFrequency=".8" numOctaves="2" seed="${angle + 7}"/><feColorMatrix values="0 0 0 0 .5  0 0 0 0 .48  0 0 0 0 .44  0 0 0 .5 -.12"/></filter>
<filter id="shade" x="-30%" y="-30%" width="160%" height="160%"><feGaussianBlur in="SourceAlpha" stdDeviation="14"/><feOffset dx="18" dy="24"/><feComponentTransfer><feFuncA type="linear" slope=".6"/></feComponentTransfer><feMerge><feMergeNode/><feMergeNode in="SourceGraphic"/></feMerge></filter>
</defs>
<rect width="100%" height="100%" fill="url(#tray)"/><rect width="100%" height="100%" filter="url(#scuffs)" opacity=".5"/>
<g transform="rotate(${angle} 600 450)">${things}</g>
<rect width="100%" height="100%" filter="url(#grain)" opacity=".35"/><rect width="100%" height="100%" fill="url(#lamp)"/></svg>`;

const round = (n: number, draw: (i: number) => string): string => Array.from({ length: n }, (_, i) => draw(i)).join('');
const spoke = (degrees: number, inner: string): string => `<g transform="rotate(${degrees} 600 450)">${inner}</g>`;
const ring = (outer: number, inner: number, fill: string, extra = ''): string =>
  `<g filter="url(#shade)"><path fill-rule="evenodd" fill="url(#${fill})" stroke="#2b2722" stroke-width="2" d="M${600 - outer} 450a${outer} ${outer} 0 1 0 ${2 * outer} 0a${outer} ${outer} 0 1 0 ${-2 * outer} 0ZM${600 - inner} 450a${inner} ${inner} 0 1 1 ${2 * inner} 0a${inner} ${inner} 0 1 1 ${-2 * inner} 0Z"/>${extra}</g>`;

const washer = (grooves: number, worn: boolean, tang: number): string =>
  ring(
    300,
    190,
    'bronze',
    `<path d="M${600 - tang / 2} 155h${tang}v-52h${-tang}Z" fill="url(#bronze)" stroke="#2b2722" stroke-width="2"/>` +
      round(grooves, (i) =>
        spoke((i * 360) / grooves + 24, `<path d="M600 162v86" stroke="#3a2a12" stroke-width="${worn ? 5 : 14}" opacity="${worn ? 0.45 : 0.85}"/>`),
      ) +
      (worn ? round(14, (i) => `<circle cx="600" cy="450" r="${206 + i * 6}" fill="none" stroke="#4d3714" stroke-width="1.5" opacity=".5"/>`) : ''),
  );

const teeth = (n: number): string =>
  round(n, (i) => spoke((i * 360) / n, '<path d="M582 118l8-42h20l8 42Z" fill="url(#steel)" stroke="#33363a" stroke-width="2"/>'));

const PICTURES: Readonly<Record<string, string>> = {
  flange: onTray(
    ring(310, 92, 'iron') +
      ring(150, 92, 'steel') +
      round(4, (i) => spoke(i * 90 + 30, '<circle cx="600" cy="210" r="30" fill="#14110d" stroke="#93897a" stroke-width="5"/>')) +
      round(18, (i) => spoke(i * 20, '<path d="M592 356h16v18h-16Z" fill="#24211c"/>')),
    11,
  ),
  cover: onTray(
    ring(360, 110, 'iron') +
      round(6, (i) =>
        spoke(
          i * 60,
          i === 4
            ? '<path d="M600 96l34 20v38l-34 20l-34-20v-38Z" fill="url(#steel)" stroke="#22252a" stroke-width="3"/><circle cx="600" cy="135" r="19" fill="#9aa0a4"/>'
            : '<circle cx="600" cy="138" r="24" fill="#100e0b" stroke="#8b8172" stroke-width="5"/>',
        ),
      ) +
      '<path d="M560 702q40 30 80 0v36q-40 26-80 0Z" fill="#15120e"/><path d="M330 300q90-120 230-140l-8 26q-120 20-196 128Z" fill="#c6b894" opacity=".75"/>',
    -7,
  ),
  rearWasher: onTray(washer(3, true, 44), 18),
  frontWasher: onTray(washer(5, false, 96), -14),
  gear: onTray(teeth(32) + ring(336, 120, 'steel') + ring(205, 120, 'iron') + '<circle cx="742" cy="262" r="24" fill="#b8322a" opacity=".85"/>', 5),
  bush: onTray(
    ring(250, 205, 'bronze') +
      '<circle cx="600" cy="450" r="205" fill="#1c1409"/>' +
      round(
        9,
        (i) =>
          `<path d="M${470 + i * 9} ${574 + (i % 3) * 9}q90 60 190 ${18 - i * 3}" stroke="#d7ae66" stroke-width="${1 + (i % 3)}" fill="none" opacity=".75"/>`,
      ),
    26,
  ),
};

mkdirSync(join(import.meta.dirname, 'photos'), { recursive: true });
for (const [name, svg] of Object.entries(PICTURES)) {
  const bytes = await sharp(Buffer.from(svg)).blur(0.8).jpeg({ quality: 72, mozjpeg: true }).toBuffer();
  writeFileSync(join(import.meta.dirname, 'photos', `${name}.jpg`), bytes);
  console.log(`${name}.jpg, ${Math.round(bytes.length / 1024)} kB`);
}
