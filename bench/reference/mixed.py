# Draws the folder that a customer brings: small and large, phone pictures that lie on their side, TIFF, PNG, CMYK; half of
# them have to be enlarged for 8 x 10 in at 300 ppi. From photographs of Debian's wallpaper packages, scaled by Lanczos.
# Arguments: where they go, a CMYK profile, photographs. Prints a path a line.
import os
import sys

from PIL import Image, ImageCms

out, cmyk = sys.argv[1], sys.argv[2]
photographs = sys.argv[3:]
# How many of a kind, longer and shorter side, and how they are written.
KINDS = [
    ('small', 8, (900, 600), dict(format='JPEG', quality=82)),
    ('web', 3, (1500, 1000), dict(format='JPEG', quality=85)),
    ('phone', 4, (4032, 3024), dict(format='JPEG', quality=88)),
    ('camera', 3, (5184, 3456), dict(format='JPEG', quality=92)),
    ('scan', 2, (3000, 2000), dict(format='TIFF', compression='tiff_lzw')),
    ('screen', 2, (1800, 1200), dict(format='PNG')),
    ('press', 2, (2100, 1400), dict(format='JPEG', quality=90)),
]
SRGB = ImageCms.createProfile('sRGB')
number = 0
for kind, count, (longer, shorter), how in KINDS:
    for _ in range(count):
        picture = Image.open(photographs[number % len(photographs)]).convert('RGB')
        scale = min(picture.width / longer, picture.height / shorter)
        left, top = (picture.width - longer * scale) / 2, (picture.height - shorter * scale) / 2
        picture = picture.resize(
            (longer, shorter), Image.LANCZOS, box=(left, top, left + longer * scale, top + shorter * scale))
        how = dict(how)
        if kind == 'phone':
            exif = Image.Exif()
            exif[0x0112] = 6
            how['exif'] = exif
        if kind == 'press':
            profile = ImageCms.getOpenProfile(cmyk)
            picture = ImageCms.profileToProfile(picture, SRGB, profile, outputMode='CMYK')
            how['icc_profile'] = profile.tobytes()
        path = os.path.join(out, '%s-%02d.%s' % (kind, number, how['format'].lower()))
        picture.save(path, **how)
        print(path)
        number += 1
