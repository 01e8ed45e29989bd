import sharp from 'sharp';
import { keptPicture, MAX_PICTURE_BYTES, readPicture } from '../src/pictures.ts';

const plain = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: { r: 200, g: 30, b: 60 } } });
const why = async (bytes: Uint8Array): Promise<string> => {
  const read = await readPicture(bytes);
  return read.ok ? '' : read.faults.map(({ path, message }) => `${path} ${message}`).join();
};

describe('a picture is what is in it', () => {
  test.each(['png', 'jpeg', 'webp'] as const)('%s', async (kind) => {
    const read = await readPicture(await plain(7, 5).toFormat(kind).toBuffer());
    expect(read.ok && [read.value.width, read.value.height, read.value.data.length]).toEqual([7, 5, 7 * 5 * 4]);
  });

  test('an upright camera’s picture is turned as it was held, and so it is kept, without its place', async () => {
    const turned = await plain(8, 4)
      .jpeg()
      .withMetadata({ orientation: 6 })
      .withExifMerge({ IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '59/1 20/1 0/1' } })
      .toBuffer();
    expect((await sharp(turned).metadata()).exif).toBeDefined();
    const read = await readPicture(turned);
    expect(read.ok && [read.value.width, read.value.height]).toEqual([4, 8]);
    const kept = await keptPicture(turned);
    expect(kept.ok && [kept.value.width, kept.value.height, kept.value.extension]).toEqual([4, 8, 'jpg']);
    const told = await sharp(kept.ok ? kept.value.bytes : turned).metadata();
    expect(told.exif).toBeUndefined();
    expect(told.orientation).toBeUndefined();
  });
});

describe('what is no picture is refused in words', () => {
  test('text, whatever it is called', async () => {
    expect(await why(Buffer.from('{"format": "jobbet.fly"}'))).toBe(
      'photo is not a picture that can be read; a PNG, JPEG or WebP is',
    );
  });
  test('another kind', async () => {
    expect(await why(await plain(4, 4).gif().toBuffer())).toContain('is GIF; a PNG, JPEG or WebP can be read');
    expect(await why(Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>'))).toContain(
      'is SVG',
    );
  });
  test('one that is torn', async () => {
    const whole = await plain(300, 300).png().toBuffer();
    expect(await why(whole.subarray(0, whole.length - 60))).toContain('is damaged');
  });
  test('too many pixels, before any is unpacked', async () => {
    const vast = await sharp({ create: { width: 11_000, height: 9_200, channels: 3, background: 'white' } })
      .png()
      .toBuffer();
    expect(await why(vast)).toContain('has 101 million pixels');
  });
  test('too many bytes', async () => {
    expect(await why(new Uint8Array(MAX_PICTURE_BYTES + 1))).toContain('is over 12 MB');
  });
});
