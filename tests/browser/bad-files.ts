import { readFileSync } from 'node:fs';
import { deflateSync } from 'node:zlib';
import { demoFile } from './dekoro';

export type GivenFile = { name: string; bytes: Buffer };

/** A PNG of one grey, 1 bit a px: real, whole, and as large as is asked. */
export function png(width: number, height: number, mark = 0): Buffer {
  const head = Buffer.alloc(13);
  head.writeUInt32BE(width, 0);
  head.writeUInt32BE(height, 4);
  head[8] = 1;
  const row = Math.ceil(width / 8) + 1;
  const pixels = Buffer.alloc(row * height);
  // A pattern of its own makes each file another file.
  for (let i = 0; i < 4; i++) pixels[1 + i] = (mark >> (8 * i)) & 255;
  return Buffer.concat([Buffer.from([137, 80, 78, 71, 13, 10, 26, 10]), chunk('IHDR', head), chunk('IDAT', deflateSync(pixels, { level: 1 })), chunk('IEND', Buffer.alloc(0))]);
}

function chunk(type: string, data: Buffer) {
  const body = Buffer.concat([Buffer.from(type, 'ascii'), data]);
  const framed = Buffer.alloc(body.length + 8);
  framed.writeUInt32BE(data.length, 0);
  body.copy(framed, 4);
  framed.writeUInt32BE(crc(body), framed.length - 4);
  return framed;
}

function crc(bytes: Buffer) {
  let sum = ~0;
  for (const byte of bytes) {
    sum ^= byte;
    for (let i = 0; i < 8; i++) sum = (sum >>> 1) ^ (0xedb88320 & -(sum & 1));
  }
  return ~sum >>> 0;
}

export const truncated = (): GivenFile => {
  const whole = readFileSync(demoFile('line-reel.jpg'));
  return { name: 'half-a-reel.jpg', bytes: whole.subarray(0, whole.length / 2) };
};
export const empty: GivenFile = { name: 'nothing.png', bytes: Buffer.alloc(0) };
export const program: GivenFile = { name: 'kite.jpg', bytes: Buffer.concat([Buffer.from('MZ\x90\0'), Buffer.alloc(4000, 7)]) };
export const letter: GivenFile = { name: 'letter.webp', bytes: Buffer.from('Dear wardens,\nthe picture is in the other envelope.\n') };
export const renamed = (): GivenFile => ({ name: 'really-a-png.jpg', bytes: readFileSync(demoFile('patchwork-sail.png')) });
export const scripted: GivenFile = {
  name: 'badge.svg',
  bytes: Buffer.from(
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 40 40" onload="alert(1)"><script>alert(2)</script><a href="javascript:alert(3)"><circle cx="20" cy="20" r="18" fill="#c33" onclick="alert(4)"/></a><image href="http://elsewhere.example/x.png"/><foreignObject><body xmlns="http://www.w3.org/1999/xhtml"><iframe src="javascript:alert(5)"/></body></foreignObject></svg>`,
  ),
};
