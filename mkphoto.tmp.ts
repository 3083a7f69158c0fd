import { madeUpPhoto } from '/work/main/tests/support/madeUpPhotos.ts';
import { encode, Image } from 'image-js';
import { writeFileSync } from 'node:fs';
let s = 7; const random = () => (s = (s * 16807) % 2147483647) / 2147483647;
const p = madeUpPhoto({ rows: 8, columns: 13, up: 0.8, twice: 0.08, leaf: 0.3, lamp: 'warm', noise: 6, blur_px: 1, shadow: true, random, width: 1400 });
const im = new Image(p.width, p.height, { data: new Uint8Array(p.rgba.buffer), colorModel: 'RGBA' });
writeFileSync('/tmp/tray.png', encode(im.convertColor('RGB'), { format: 'png' }));
console.log(p.plants.filter(n=>n>0).length, p.plants.length);
