// The bench's original in other forms, by libvips. Argument: the folder.
import sharp from 'sharp';

const folder = process.argv[2];
const original = `${folder}/original.jpg`;
await sharp(original).toColourspace('rgb16').tiff({ compression: 'deflate', predictor: 'horizontal' }).toFile(`${folder}/original.tif`);
await sharp(original).png({ compressionLevel: 6, adaptiveFiltering: true }).toFile(`${folder}/original.png`);
