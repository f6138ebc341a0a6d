import { readFileSync } from 'node:fs';
import { crc32, deflateRawSync, deflateSync } from 'node:zlib';
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
  return Buffer.concat([
    Buffer.from([137, 80, 78, 71, 13, 10, 26, 10]),
    chunk('IHDR', head),
    chunk('IDAT', deflateSync(pixels, { level: 1 })),
    chunk('IEND', Buffer.alloc(0)),
  ]);
}

function chunk(type: string, data: Buffer) {
  const body = Buffer.concat([Buffer.from(type, 'ascii'), data]);
  const framed = Buffer.alloc(body.length + 8);
  framed.writeUInt32BE(data.length, 0);
  body.copy(framed, 4);
  framed.writeUInt32BE(crc(body), framed.length - 4);
  return framed;
}

/** A bundle of so many entries of the same content, packed once: small on the way, large when it is opened. */
export function zip(names: string[], content: Buffer): Buffer {
  const packed = deflateRawSync(content, { level: 9 });
  const sum = crc(content);
  const head = (signature: number, name: string, offset: number) => {
    const central = signature === 0x02014b50;
    const made = Buffer.alloc(central ? 46 : 30);
    made.writeUInt32LE(signature, 0);
    const at = central ? 6 : 4;
    made.writeUInt16LE(20, at);
    made.writeUInt16LE(8, at + 4);
    made.writeUInt32LE(sum, at + 10);
    made.writeUInt32LE(packed.length, at + 14);
    made.writeUInt32LE(content.length, at + 18);
    made.writeUInt16LE(name.length, at + 22);
    if (central) made.writeUInt32LE(offset, 42);
    return Buffer.concat([made, Buffer.from(name, 'ascii')]);
  };
  const local = names.map((name) => Buffer.concat([head(0x04034b50, name, 0), packed]));
  const offsets = local.map((_, i) => local.slice(0, i).reduce((all, part) => all + part.length, 0));
  const list = Buffer.concat(names.map((name, i) => head(0x02014b50, name, offsets[i]!)));
  const end = Buffer.alloc(22);
  end.writeUInt32LE(0x06054b50, 0);
  end.writeUInt16LE(names.length, 8);
  end.writeUInt16LE(names.length, 10);
  end.writeUInt32LE(list.length, 12);
  end.writeUInt32LE(
    local.reduce((all, part) => all + part.length, 0),
    16,
  );
  return Buffer.concat([...local, list, end]);
}

const crc = (bytes: Buffer) => crc32(bytes);

export const truncated = (): GivenFile => {
  const whole = readFileSync(demoFile('line-reel.jpg'));
  return { name: 'half-a-reel.jpg', bytes: whole.subarray(0, whole.length / 2) };
};
export const empty: GivenFile = { name: 'nothing.png', bytes: Buffer.alloc(0) };
export const program: GivenFile = {
  name: 'kite.jpg',
  bytes: Buffer.concat([Buffer.from('MZ\x90\0'), Buffer.alloc(4000, 7)]),
};
export const letter: GivenFile = {
  name: 'letter.webp',
  bytes: Buffer.from('Dear wardens,\nthe picture is in the other envelope.\n'),
};
export const renamed = (): GivenFile => ({
  name: 'really-a-png.jpg',
  bytes: readFileSync(demoFile('patchwork-sail.png')),
});
export const scripted: GivenFile = {
  name: 'badge.svg',
  bytes: Buffer.from(
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 40 40" onload="alert(1)"><script>alert(2)</script>' +
      '<a href="javascript:alert(3)"><circle cx="20" cy="20" r="18" fill="#c33" onclick="alert(4)"/></a><image ' +
      'href="http://elsewhere.example/x.png"/><foreignObject><body xmlns="http://www.w3.org/1999/xhtml">' +
      '<iframe src="javascript:alert(5)"/></body></foreignObject></svg>',
  ),
};
