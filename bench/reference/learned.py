# Learned detail by OpenCV (Debian python3-opencv): a picture of 6 MP enlarged to 24 MP by its Lanczos kernel, and the filters that
# ship, as a network of its own, over the luminance. Arguments: work, repeats.
import os
import struct
import sys

import cv2
import numpy as np
from measuring import measure
from onnx import TensorProto, helper, numpy_helper

work, repeats = sys.argv[1:3]
SHIPPED = os.path.join(
    os.path.dirname(__file__), '../../core/src/main/resources/embrick/core/learned/clean.filters')
WIDTH, HEIGHT = 3000, 2000
TOGETHER = 4  # outputs that lie beside one another in the file
ROWS = 100  # of the small picture at a time
LIGHT = np.array([0.2126, 0.7152, 0.0722], np.float32)


def layers(file):
    """Side, leak, weights as output, input, row, column, and biases, of each layer."""
    data = open(file, 'rb').read()
    at = 0

    def take(kind, count=1):
        nonlocal at
        values = struct.unpack_from('>%d%s' % (count, kind), data, at)
        at += 4 * count
        return values

    for _ in range(take('i')[0]):
        inputs, outputs, side = take('i', 3)
        leak = take('f')[0]
        weights = np.array(take('f', inputs * outputs * side * side), np.float32)
        weights = weights.reshape(outputs // TOGETHER, inputs, side, side, TOGETHER).transpose(0, 4, 1, 2, 3)
        yield side, leak, weights.reshape(outputs, inputs, side, side), np.array(take('f', outputs), np.float32)


def network(rows, columns):
    nodes, weights, last, radius = [], [], 'in', 0
    for i, (side, leak, of, biases) in enumerate(layers(SHIPPED)):
        weights += [numpy_helper.from_array(of, f'w{i}'), numpy_helper.from_array(biases, f'b{i}')]
        nodes.append(helper.make_node('Conv', [last, f'w{i}', f'b{i}'], [f'c{i}'], kernel_shape=[side, side]))
        last = f'c{i}'
        if leak != 1:
            nodes.append(helper.make_node('LeakyRelu', [last], [f'l{i}'], alpha=leak))
            last = f'l{i}'
        radius += side // 2
    shape = [1, 1, rows + 2 * radius, columns + 2 * radius]
    graph = helper.make_graph(
        nodes, 'filters', [helper.make_tensor_value_info('in', TensorProto.FLOAT, shape)],
        [helper.make_tensor_value_info(last, TensorProto.FLOAT, [1, 4, rows, columns])], weights)
    model = helper.make_model(graph, opset_imports=[helper.make_opsetid('', 11)])
    return cv2.dnn.readNetFromONNX(np.frombuffer(model.SerializeToString(), np.uint8)), radius


def found(net, radius, light):
    """What is added to each of four parts of the pixels of a luminance that is wider by the radius all round."""
    net.setInput((light - np.float32(0.5))[None, None])
    return net.forward()[0]


def learned():
    small = PICTURE.astype(np.float32) / 255
    large = cv2.resize(small, (2 * WIDTH, 2 * HEIGHT), interpolation=cv2.INTER_LANCZOS4)
    light = cv2.copyMakeBorder(small @ LIGHT, RADIUS, RADIUS, RADIUS, RADIUS, cv2.BORDER_REPLICATE)
    for y in range(0, HEIGHT, ROWS):
        parts = found(NET, RADIUS, light[y:y + ROWS + 2 * RADIUS])
        for part in range(4):
            large[2 * y + part // 2:2 * (y + ROWS):2, part % 2::2] += parts[part][:, :, None]
    return large


cv2.setNumThreads(1)
NET, RADIUS = network(ROWS, WIDTH)
PICTURE = np.random.default_rng(1).integers(0, 256, (HEIGHT, WIDTH, 3), np.uint8)
measure(globals()[work], repeats)
