import { inflateSync } from 'node:zlib';

/** Bytes of heads and entries in both forms. */
const WOFF_HEAD = 44;
const WOFF_ENTRY = 20;
const SFNT_HEAD = 12;
const SFNT_ENTRY = 16;
const WOFF = 0x774f4646;

const padded = (bytes: number): number => (bytes + 3) & ~3;

/**
 * A packed font (WOFF 1) as it is without packing, so that it is unpacked once and not for every letter.
 *
 * @throws RangeError where the bytes are no such font
 * @source W3C recommendation “WOFF File Format 1.0”, sections 3 to 5
 */
export function unpackWoff(packed: Buffer): Buffer {
  if (packed.length < WOFF_HEAD || packed.readUInt32BE(0) !== WOFF)
    throw new RangeError('This is no packed font.');
  const count = packed.readUInt16BE(12);
  const tables = Array.from({ length: count }, (_, i) => {
    const at = WOFF_HEAD + i * WOFF_ENTRY;
    const [offset, size, whole] = [4, 8, 12].map((more) => packed.readUInt32BE(at + more)) as [
      number,
      number,
      number,
    ];
    const data = packed.subarray(offset, offset + size);
    return {
      tag: packed.subarray(at, at + 4),
      sum: packed.readUInt32BE(at + 16),
      data: size < whole ? inflateSync(data) : data,
    };
  });
  const head = Buffer.alloc(SFNT_HEAD + count * SFNT_ENTRY);
  packed.copy(head, 0, 4, 8);
  head.writeUInt16BE(count, 4);
  const power = 2 ** Math.floor(Math.log2(count));
  head.writeUInt16BE(power * SFNT_ENTRY, 6);
  head.writeUInt16BE(Math.log2(power), 8);
  head.writeUInt16BE((count - power) * SFNT_ENTRY, 10);
  let offset = head.length;
  const parts: Buffer[] = [head];
  tables.forEach(({ tag, sum, data }, i) => {
    const at = SFNT_HEAD + i * SFNT_ENTRY;
    tag.copy(head, at);
    head.writeUInt32BE(sum, at + 4);
    head.writeUInt32BE(offset, at + 8);
    head.writeUInt32BE(data.length, at + 12);
    parts.push(data, Buffer.alloc(padded(data.length) - data.length));
    offset += padded(data.length);
  });
  return Buffer.concat(parts);
}
