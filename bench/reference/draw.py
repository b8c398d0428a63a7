# The bench's pictures, from noise: soft clouds, some grain. Arguments: original, folder of small pictures, how many.
import os
import sys

from PIL import Image, ImageChops


def picture(w, h):
    parts = [Image.effect_noise((w // 12, h // 12), s).resize((w, h), Image.BICUBIC) for s in (60, 50, 40)]
    grain = Image.effect_noise((w, h), 9)
    return Image.merge('RGB', [ImageChops.add(p, grain, 1, -128) for p in parts])


original = picture(6000, 4000)
original.save(sys.argv[1], quality=95, subsampling=0)
# The same lying on its side, and marked so (Exif 3.0, tag Orientation: 6).
exif = Image.Exif()
exif[0x0112] = 6
original.transpose(Image.ROTATE_90).save(
    sys.argv[1].replace('original', 'sideways'), quality=95, subsampling=0, exif=exif)
picture(3000, 2000).save(sys.argv[1].replace('original', 'phone'), quality=95)
os.makedirs(sys.argv[2], exist_ok=True)
for i in range(int(sys.argv[3])):
    picture(500 + i % 7 * 20, 375 + i % 5 * 12).save('%s/%03d.jpg' % (sys.argv[2], i), quality=90)
