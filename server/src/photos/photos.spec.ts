import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { startHarness, type Harness } from '../testing/harness';

let h: Harness;
beforeAll(async () => {
  h = await startHarness();
});
afterAll(() => h.close());

const post = (file: Uint8Array, type = 'image/jpeg') =>
  h.call('POST', '/api/photos?who=Ansa', file, { 'content-type': type });
/** A photo of a tag: wider than high, lying on its side, with the place where it was taken. */
const photo = (width = 2600, height = 1400) =>
  sharp({ create: { width, height, channels: 3, background: { r: 190, g: 120, b: 40 } } })
    .withMetadata({ orientation: 6 })
    .withExif({
      IFD0: { ImageDescription: 'tag of the van axle' },
      IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '51/1 3/1 2/1' },
    })
    .jpeg();
const bytes = async (id: string, thumb = '') =>
  Buffer.from(await (await fetch(`${h.url}/api/photos/${id}${thumb}`)).arrayBuffer());

describe('photos', () => {
  it('keeps a photo upright and smaller, without where it was taken', async () => {
    const file = await photo().withMetadata({ orientation: 6 }).toBuffer();
    const stored = (await post(file)).json;
    // 2600 × 1400 on its side is 1400 × 2600; its long side is kept at 2000: 1400 × 2000 / 2600 = 1077.
    expect(stored).toMatchObject({ width: 1077, height: 2000 });
    const kept = await sharp(await bytes(stored.id)).metadata();
    expect(kept).toMatchObject({ format: 'jpeg', width: 1077, height: 2000 });
    expect(kept.exif).toBeUndefined();
    expect(stored.size).toBe((await bytes(stored.id)).length);
  });

  it('takes everything else out that the camera wrote', async () => {
    const file = await photo().toBuffer();
    expect((await sharp(file).metadata()).exif?.toString('latin1')).toContain('tag of the van axle');
    const { id } = (await post(file)).json;
    expect((await bytes(id)).toString('latin1')).not.toContain('tag of the van axle');
  });

  it('has a small picture of it, which may be kept for a while', async () => {
    const { id } = (await post(await photo(900, 600).toBuffer())).json;
    const small = await sharp(await bytes(id, '/thumb')).metadata();
    expect(Math.max(small.width, small.height)).toBe(240);
    const { headers } = await fetch(`${h.url}/api/photos/${id}/thumb`);
    expect(headers.get('cache-control')).toContain('max-age=300');
  });

  it('takes PNG, whatever the header says, and never makes a photo larger', async () => {
    const png = await sharp({ create: { width: 31, height: 17, channels: 4, background: '#2230a040' } })
      .png()
      .toBuffer();
    expect((await post(png, 'application/octet-stream')).json).toMatchObject({ width: 31, height: 17 });
  });

  it('refuses a renamed executable by what is in it', async () => {
    const elf = Buffer.concat([Buffer.from([0x7f, 0x45, 0x4c, 0x46, 2, 1, 1, 0]), Buffer.alloc(900, 3)]);
    const answer = await post(elf);
    expect(answer.status).toBe(415);
    expect(answer.json.problems[0]).toEqual({
      field: 'photo',
      wrong: 'is a .elf file',
      right: 'a photo as JPEG, PNG or WebP',
    });
  });

  it.each([
    ['nothing', Buffer.alloc(0)],
    ['a drawing with script in it', Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script/></svg>')],
    ['text', Buffer.from('a photo, honestly')],
  ])('refuses %s', async (_what, file) => {
    expect((await post(file)).status).toBe(415);
  });

  it('refuses a broken JPEG and keeps nothing of it', async () => {
    const count = async () => Number((await h.pool.query('select count(*) from photos')).rows[0].count);
    const before = await count();
    const whole = await photo(800, 500).toBuffer();
    const torn = await post(whole.subarray(0, Math.floor(whole.length / 2)));
    expect(torn.status).toBe(400);
    expect(torn.json.message).toContain('broken');
    expect((await post(Buffer.concat([whole.subarray(0, 200), Buffer.alloc(3000, 0x5a)]))).status).toBe(400);
    expect(await count()).toBe(before);
  });

  it('refuses 60 MB and says how much may be sent', async () => {
    const answer = await post(Buffer.alloc(60 * 2 ** 20, 0x41)).catch(() => undefined);
    expect(answer?.status).toBe(413);
    expect(answer?.json.message).toContain('at most 25 MB');
  });

  it('knows no photo that was never put in', async () => {
    expect((await h.call('GET', '/api/photos/3f0b7a52-2c3c-4c8e-9b55-4f57f1f6a201')).status).toBe(404);
    expect((await h.call('GET', '/api/photos/one')).status).toBe(400);
  });

  it('refuses more pixels than any camera makes, before they are unpacked', async () => {
    const file = await sharp({ create: { width: 12_000, height: 9000, channels: 3, background: '#808080' } })
      .png({ compressionLevel: 9 })
      .toBuffer();
    const said = await post(file, 'image/png');
    expect(said.status).toBe(413);
    expect(said.json.problems[0]).toMatchObject({ field: 'photo', wrong: 'has 12000 × 9000 pixels' });
  });
});
