# Round trips, down and up again, held against the picture they began with.
# Arguments: "originals" folder, or "table" folder. Between the two, Embrick writes its own round trips there.
import glob
import os
import sys

import numpy
import skimage
from PIL import Image
from skimage.metrics import peak_signal_noise_ratio, structural_similarity

FACTORS = (2, 3, 5)
# scikit-image's own test pictures, CC0 or in the public domain.
PHOTOGRAPHS = ('chelsea', 'coffee', 'brick', 'grass', 'gravel')
LINE_ART = ('bw_text',)
PILLOW = {'Pillow box': Image.BOX, 'Pillow bilinear': Image.BILINEAR, 'Pillow bicubic': Image.BICUBIC,
          'Pillow Lanczos': Image.LANCZOS}


def originals(folder):
    for name in PHOTOGRAPHS + LINE_ART:
        picture = Image.open(os.path.join(os.path.dirname(skimage.__file__), 'data', name + '.png')).convert('RGB')
        picture = picture.crop((0, 0, picture.width // 30 * 30, picture.height // 30 * 30))
        picture.save(os.path.join(folder, name + '.ppm'))
        for factor in FACTORS:
            for title, method in PILLOW.items():
                small = picture.resize((picture.width // factor, picture.height // factor), method)
                small.resize(picture.size, method).save(trip(folder, name, factor, title))


def trip(folder, name, factor, title):
    return os.path.join(folder, '%s.%d.%s.ppm' % (name, factor, title))


def compared(folder, name, factor, title):
    was = numpy.array(Image.open(os.path.join(folder, name + '.ppm')))
    now = numpy.array(Image.open(trip(folder, name, factor, title)))
    return (peak_signal_noise_ratio(was, now),
            structural_similarity(was, now, channel_axis=2, gaussian_weights=True, sigma=1.5,
                                  use_sample_covariance=False))


def table(folder):
    ours = sorted({os.path.basename(path).split('.')[2] for path in glob.glob(folder + '/*.?.*.ppm')} - set(PILLOW))
    print('| method | ' + ' | '.join('%s ÷%d' % (kind, factor)
                                     for kind in ('photographs', 'line art') for factor in FACTORS) + ' |')
    print('|---|' + '---|' * (2 * len(FACTORS)))
    for title in ours + list(PILLOW):
        cells = []
        for names in (PHOTOGRAPHS, LINE_ART):
            for factor in FACTORS:
                mean = numpy.mean([compared(folder, name, factor, title) for name in names], axis=0)
                cells.append('%.2f dB, %.3f' % tuple(mean))
        print('| %s | %s |' % (title, ' | '.join(cells)))


globals()[sys.argv[1]](sys.argv[2])
