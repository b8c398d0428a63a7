# The same works by Pillow. Arguments: work, repeats, original, profile, piece.
import glob
import multiprocessing
import os
import sys

from measuring import measure
from PIL import Image, ImageCms, ImageFilter

work, repeats, original, profile, piece = sys.argv[1:6]
jpeg = dict(quality=95, subsampling=0, dpi=(300, 300))
BOX = (500, 0, 5500, 4000)


def whole():
    out = Image.open(original).resize((3000, 2400), Image.LANCZOS, box=BOX)
    out.save(piece, 'JPEG', icc_profile=SRGB.tobytes(), **jpeg)


def sharpened():
    out = Image.open(original).resize((3000, 2400), Image.LANCZOS, box=BOX)
    out = out.filter(ImageFilter.UnsharpMask(1, 60, 2))
    out = ImageCms.applyTransform(out, TRANSFORM)
    out.save(piece, 'JPEG', icc_profile=WIDE.tobytes(), **jpeg)


def stage():
    PIXELS.resize((3000, 2400), Image.LANCZOS)


def png():
    out = Image.open(original.replace('.jpg', '.png')).resize((3000, 2400), Image.LANCZOS, box=BOX)
    out.save(piece, 'PNG', icc_profile=SRGB.tobytes(), dpi=(300, 300))


def magnify():
    PIXELS.resize((3000, 2400), Image.LANCZOS)


def small_one(name):
    picture = Image.open(name).convert('RGB')
    side = min(picture.size)
    left, top = (picture.width - side) / 2, (picture.height - side) / 2
    out = picture.resize((224, 224), Image.BILINEAR, box=(left, top, left + side, top + side))
    out.save(name + '.small', 'JPEG', quality=95, subsampling=0)


def small():
    with multiprocessing.Pool(2) as pool:
        pool.map(small_one, NAMES, 20)


SRGB = ImageCms.ImageCmsProfile(ImageCms.createProfile('sRGB'))
WIDE = ImageCms.ImageCmsProfile(profile)
TRANSFORM = ImageCms.buildTransform(SRGB, WIDE, 'RGB', 'RGB', 1, 0x2000)
SIZES = {'stage': (5000, 4000), 'magnify': (1600, 1280)}
PIXELS = None
if work in SIZES:
    PIXELS = Image.frombytes('RGB', SIZES[work], os.urandom(3 * SIZES[work][0] * SIZES[work][1]))
NAMES = sorted(glob.glob(original + '/*.jpg')) if work == 'small' else None

measure(globals()[work], repeats)
