// The same works by libvips, through sharp. Arguments: work, repeats, original, profile, piece.
import { readFileSync } from 'node:fs';
import sharp from 'sharp';

const [work, repeats, original, profile, piece] = process.argv.slice(2);
sharp.concurrency(1);
sharp.cache(false);
const jpeg = { quality: 95, chromaSubsampling: '4:4:4' };
const framed = () => sharp(original).extract({ left: 500, top: 0, width: 5000, height: 4000 }).resize(3000, 2400, { kernel: 'lanczos3', fastShrinkOnLoad: false });
const BOX = { left: 500, top: 0, width: 5000, height: 4000 };
const raw = { width: 5000, height: 4000, channels: 3 };
const pixels = work === 'stage' ? Buffer.alloc(raw.width * raw.height * 3, 0) : undefined;
if (pixels) for (let i = 0; i < pixels.length; i++) pixels[i] = (i * 2654435761) >>> 24;

const works = {
  whole: () => framed().jpeg(jpeg).toFile(piece),
  lifted: () => framed().sharpen({ sigma: 1, m1: 0.6, m2: 0.6 }).withIccProfile(profile).jpeg(jpeg).toFile(piece),
  tiff: () => sharp(original.replace(/jpg$/, 'tif')).extract(BOX).resize(3000, 2400, { kernel: 'lanczos3' }).toColourspace('rgb16').tiff({ compression: 'deflate', predictor: 'horizontal' }).toFile(piece),
  stage: () => sharp(pixels, { raw }).resize(3000, 2400, { kernel: 'lanczos3' }).raw().toBuffer(),
};

const peak = () => Number(/VmHWM:\s+(\d+)/.exec(readFileSync('/proc/self/status', 'utf8'))[1]);
for (let i = -2; i < Number(repeats); i++) {
  const before = process.cpuUsage();
  const began = performance.now();
  await works[work]();
  const wall = (performance.now() - began) / 1e3;
  const cpu = process.cpuUsage(before);
  if (i >= 0) console.log(`measured ${(cpu.user + cpu.system) / 1e6} ${wall} ${peak()}`);
}
