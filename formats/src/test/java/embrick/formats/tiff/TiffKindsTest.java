package embrick.formats.tiff;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import embrick.core.pixels.ColourModel;
import embrick.core.source.SourceFacts;
import embrick.core.source.SourceFacts.Alpha;
import embrick.core.source.SourceFacts.ColourRemark;
import embrick.core.source.SourceFacts.Pages;
import embrick.formats.Pieces;
import embrick.formats.picture.OpenedPicture;
import embrick.formats.picture.UnusablePictureException;
import embrick.testing.Outside;
import java.io.IOException;
import java.lang.foreign.ValueLayout;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Every kind of TIFF that is read, pixel by pixel. The plain files are written by a few lines of Python after TIFF 6.0, which
 * also say what they hold; packings, tiles and planes are made of them by libtiff's tiffcp; Pillow and tiff2rgba read where
 * they can.
 */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class TiffKindsTest {
    /**
     * {@code tiff(name, rows, bits, tags...)} writes samples of any depth, high bits first; {@code want(name, values, bytes)}
     * writes what is to be read.
     */
    private static final String WRITER = """
            import sys, struct, random
            d = sys.argv[1] + '/'
            W, H = 61, 37
            def packed(row, bits):
                if bits == 16: return b''.join(struct.pack('<H', v & 0xffff) for v in row)
                if bits == 32: return b''.join(struct.pack('<I', v) for v in row)
                if bits == 8: return bytes(v & 0xff for v in row)
                text = ''.join(format(v & ((1 << bits) - 1), '0%db' % bits) for v in row)
                text += '0' * (-len(text) % 8)
                return bytes(int(text[i:i + 8], 2) for i in range(0, len(text), 8))
            def directory(tags, at, nxt=0):
                entries, rest = b'', b''
                after = at + 2 + 12 * len(tags) + 4
                for tag in sorted(tags):
                    kind, values = tags[tag]
                    size = {3: 2, 4: 4}[kind]
                    data = b''.join(struct.pack('<H' if kind == 3 else '<I', v) for v in values)
                    if len(data) <= 4: entries += struct.pack('<HHI', tag, kind, len(values)) + data.ljust(4, b'\\0')
                    else:
                        entries += struct.pack('<HHII', tag, kind, len(values), after + len(rest)); rest += data
                return struct.pack('<H', len(tags)) + entries + struct.pack('<I', nxt) + rest
            def tiff(name, planes, bits, spp, photometric, extra=(), format=1, more={}, w=W, h=H):
                # planes: lists of rows; one list where channels lie together
                strips = [b''.join(packed(row, bits) for row in plane) for plane in planes]
                at = 8; offsets = []; body = b''
                for s in strips: offsets.append(8 + len(body)); body += s + (b'\\0' if len(s) % 2 else b'')
                tags = {256: (4, [w]), 257: (4, [h]), 258: (3, [bits] * spp), 259: (3, [1]), 262: (3, [photometric]),
                        273: (4, offsets), 277: (3, [spp]), 278: (4, [h]), 279: (4, [len(s) for s in strips]),
                        284: (3, [1 if len(planes) == 1 else 2]), 339: (3, [format] * spp)}
                if extra: tags[338] = (3, list(extra))
                tags.update(more)
                open(d + name + '.tif', 'wb').write(struct.pack('<2sHI', b'II', 42, 8 + len(body)) + body + directory(tags, 8 + len(body)))
            def want(name, values, size):
                open(d + name + '.raw', 'wb').write(b''.join(struct.pack('<H' if size == 2 else 'B', v) for v in values))
            def scaled(v, bits):
                full = 255 if bits <= 8 else 65535; most = (1 << bits) - 1
                return (v * full + most // 2) // most
            random.seed(11)
            def noise(bits, spp): return [[random.randrange(1 << bits) for _ in range(W * spp)] for _ in range(H)]
            def flat(rows): return [v for row in rows for v in row]
            """;

    private Path folder;

    @BeforeAll
    void draw(@TempDir Path made) {
        folder = made;
        Outside.python(WRITER + """
                for bits in range(1, 17):
                    size = 1 if bits <= 8 else 2
                    grey = noise(bits, 1); tiff('grey%d' % bits, [grey], bits, 1, 1); want('grey%d' % bits, [scaled(v, bits) for v in flat(grey)], size)
                    tiff('white%d' % bits, [grey], bits, 1, 0)
                    full = 255 if bits <= 8 else 65535
                    want('white%d' % bits, [full - scaled(v, bits) for v in flat(grey)], size)
                    rgb = noise(bits, 3); tiff('rgb%d' % bits, [rgb], bits, 3, 2); want('rgb%d' % bits, [scaled(v, bits) for v in flat(rgb)], size)
                    planes = [[row[c::3] for row in rgb] for c in range(3)]
                    tiff('planes%d' % bits, planes, bits, 3, 2); want('planes%d' % bits, [scaled(v, bits) for v in flat(rgb)], size)
                for bits in (8, 16):
                    signed = noise(bits, 1); tiff('signed%d' % bits, [signed], bits, 1, 1, format=2)
                    half = 1 << (bits - 1)
                    want('signed%d' % bits, [(v + half) % (2 * half) for v in flat(signed)], bits // 8)
                    full = (1 << bits) - 1
                    rgba = noise(bits, 4)
                    for kind in (0, 1, 2):
                        if kind == 1: rows = [[min(v, row[i // 4 * 4 + 3]) for i, v in enumerate(row)] for row in rgba]
                        else: rows = rgba
                        name = 'extra%d-%d' % (kind, bits)
                        tiff(name, [rows], bits, 4, 2, extra=[kind])
                        values = flat(rows)
                        if kind == 0: out = [v for i, v in enumerate(values) if i % 4 != 3]
                        elif kind == 2: out = values
                        else:
                            out = []
                            for i in range(0, len(values), 4):
                                a = values[i + 3]
                                out += [v if a in (0, full) else min(full, (v * full + a // 2) // a) for v in values[i:i + 3]] + [a]
                        want(name, out, bits // 8)
                    tiff('unsaid-%d' % bits, [rgba], bits, 4, 2); want('unsaid-%d' % bits, [v for i, v in enumerate(flat(rgba)) if i % 4 != 3], bits // 8)
                    two = noise(bits, 5); tiff('second-%d' % bits, [two], bits, 5, 2, extra=[0, 2])
                    want('second-%d' % bits, [v for i, v in enumerate(flat(two)) if i % 5 != 3], bits // 8)
                    ink = noise(bits, 5); tiff('spot-%d' % bits, [ink], bits, 5, 5, extra=[0])
                    want('spot-%d' % bits, [v for i, v in enumerate(flat(ink)) if i % 5 != 4], bits // 8)
                    inka = noise(bits, 5); tiff('inkalpha-%d' % bits, [inka], bits, 5, 5, extra=[2]); want('inkalpha-%d' % bits, flat(inka), bits // 8)
                    greya = noise(bits, 2); tiff('greyalpha-%d' % bits, [greya], bits, 2, 1, extra=[2]); want('greyalpha-%d' % bits, flat(greya), bits // 8)
                for bits in (1, 2, 4, 8):
                    index = noise(bits, 1); entries = 1 << bits
                    colours = [[random.randrange(256) for _ in range(entries)] for _ in range(3)]
                    for name, times in (('palette', 257), ('oldpalette', 1), ('shifted', 256)):
                        tiff('%s%d' % (name, bits), [index], bits, 1, 3, more={320: (3, [v * times for c in colours for v in c])})
                        if times != 1 or max(v for c in colours for v in c) < 256:
                            want('%s%d' % (name, bits), [colours[c][i] for i in flat(index) for c in range(3)], 1)
                tiff('ycc', [noise(8, 3)], 8, 3, 6, more={530: (3, [1, 1])})
                # Blocks of two by two: four luminances, two differences.
                tiff('ycc2', [[[random.randrange(256) for _ in range(30 * 6)] for _ in range(18)]], 8, 3, 6, more={530: (3, [2, 2])}, w=60, h=36)
                tiff('half', [noise(16, 3)], 16, 3, 2, format=3); tiff('float', [noise(8, 1)], 32, 1, 1, format=3, w=W // 4, h=H)
                tiff('deep32', [[[random.randrange(1 << 32) for _ in range(W)] for _ in range(H)]], 32, 1, 1)
                tiff('unlike', [noise(8, 3)], 8, 3, 2, more={258: (3, [8, 8, 16])})
                tiff('lab', [noise(8, 3)], 8, 3, 8); tiff('raw', [noise(16, 1)], 16, 1, 32803); tiff('mask', [noise(1, 1)], 1, 1, 4)
                tiff('inks', [noise(8, 6)], 8, 6, 5, more={332: (3, [2]), 334: (3, [6])}); tiff('packing', [noise(8, 1)], 8, 1, 1, more={259: (3, [34712])})
                tiff('thumbnail', [noise(8, 1)], 8, 1, 1, more={254: (4, [1])}); tiff('mainpage', [noise(8, 3)], 8, 3, 2)
                """, folder);
        Outside.shell("""
                cd "$1"
                for bits in 8 16; do
                  for c in none lzw lzw:2 zip zip:2 packbits lzma lzma:2 zstd zstd:2; do
                    n=$(echo $c | tr : -)
                    tiffcp -c $c rgb$bits.tif packed-$n-$bits.tif; tiffcp -c $c -t -w 16 -l 32 rgb$bits.tif tiled-$n-$bits.tif
                    tiffcp -c $c -r 5 extra2-$bits.tif alpha-$n-$bits.tif
                  done
                done
                for c in none lzw zip zstd; do tiffcp -c $c -p separate rgb8.tif separate-$c.tif; tiffcp -c $c -p separate -t -w 32 -l 16 rgb8.tif separatetiled-$c.tif; done
                for c in g3 g3:2d g4 none packbits; do tiffcp -c $c white1.tif fax-$(echo $c | tr : -).tif; done
                tiffcp -B -8 -c zip:2 rgb16.tif bigmotorola.tif; tiffcp -f lsb2msb -c none grey1.tif lowbits.tif
                tiffcp -c webp:w100 rgb8.tif webp.tif 2>/dev/null || tiffcp -c webp rgb8.tif webp.tif
                tiffcp thumbnail.tif mainpage.tif rgb8.tif pages.tif 2>/dev/null
                """, folder);
    }

    private void requireAs(String file, String raw) throws IOException {
        byte[] expected = Files.readAllBytes(folder.resolve(raw + ".raw"));
        try (OpenedPicture opened = Pieces.FORMATS.open(folder.resolve(file + ".tif"))) {
            byte[] ours = opened.raster().samples().toArray(ValueLayout.JAVA_BYTE);
            assertThat(ours).as(file).isEqualTo(expected);
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15, 16})
    void everyDepthIsReadToTheLastSample(int bits) throws IOException {
        requireAs("grey" + bits, "grey" + bits);
        requireAs("white" + bits, "white" + bits);
        requireAs("rgb" + bits, "rgb" + bits);
        requireAs("planes" + bits, "planes" + bits);
    }

    /** The least number is black and the greatest white: nothing is a half off. */
    @ParameterizedTest
    @ValueSource(ints = {8, 16})
    void signedNumbersCountFromTheirLeast(int bits) throws IOException {
        requireAs("signed" + bits, "signed" + bits);
        assertThat(codes("signed" + bits)).contains("tiff-signed");
    }

    /** TIFF 6.0, section 18: 0 says nothing, 1 is premultiplied, 2 straight transparency. */
    @ParameterizedTest
    @CsvSource({"0, OPAQUE, 3", "1, SEE_THROUGH, 4", "2, SEE_THROUGH, 4"})
    void onlyWhatIsCalledTransparencyIsIt(int kind, Alpha alpha, int channels) throws IOException {
        for (int bits : new int[] {8, 16}) {
            SourceFacts facts = Pieces.FORMATS.inspect(folder.resolve("extra" + kind + "-" + bits + ".tif"));
            assertThat(facts.colour().alpha()).isEqualTo(alpha);
            assertThat(facts.colour().channels()).isEqualTo(channels);
            requireAs("extra" + kind + "-" + bits, "extra" + kind + "-" + bits);
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"unsaid", "second", "spot", "inkalpha", "greyalpha"})
    void channelsBesideTheColoursAreToldOrUsed(String name) throws IOException {
        for (int bits : new int[] {8, 16}) {
            requireAs(name + "-" + bits, name + "-" + bits);
        }
        boolean hasUnused = !name.endsWith("alpha");
        assertThat(codes(name + "-8").contains("tiff-extra-channels")).isEqualTo(hasUnused);
    }

    private java.util.List<String> codes(String name) throws IOException {
        return Pieces.FORMATS.inspect(folder.resolve(name + ".tif")).colour().remarks().stream()
                .map(ColourRemark::code)
                .toList();
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 4, 8})
    void palettesOfAllWritersAreLookedUp(int bits) throws IOException {
        requireAs("palette" + bits, "palette" + bits);
        requireAs("oldpalette" + bits, "oldpalette" + bits);
        requireAs("shifted" + bits, "shifted" + bits);
    }

    @ParameterizedTest
    @ValueSource(strings = {"none", "lzw", "lzw-2", "zip", "zip-2", "packbits", "lzma", "lzma-2", "zstd", "zstd-2"})
    void everyPackingHoldsTheSameSamples(String packing) throws IOException {
        for (int bits : new int[] {8, 16}) {
            requireAs("packed-" + packing + "-" + bits, "rgb" + bits);
            requireAs("tiled-" + packing + "-" + bits, "rgb" + bits);
            requireAs("alpha-" + packing + "-" + bits, "extra2-" + bits);
        }
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "separate-none",
                "separate-lzw",
                "separate-zip",
                "separate-zstd",
                "separatetiled-none",
                "separatetiled-zip",
                "separatetiled-zstd",
                "separatetiled-lzw"
            })
    void planesAreJoined(String name) throws IOException {
        requireAs(name, "rgb8");
    }

    @ParameterizedTest
    @ValueSource(strings = {"g3", "g3-2d", "g4", "none", "packbits"})
    void facsimilesAreRead(String packing) throws IOException {
        requireAs("fax-" + packing, "white1");
    }

    @Test
    void byteAndBitOrdersAreTurned() throws IOException {
        requireAs("bigmotorola", "rgb16");
        requireAs("lowbits", "grey1");
    }

    /** Lossless or nearly: libtiff's own tool reads it to the same bytes. */
    @Test
    void webpStripsAreReadAsLibtiffReadsThem() throws IOException {
        Outside.shell("cd \"$1\" && tiffcp -c none webp.tif webp-plain.tif", folder);
        byte[] expected =
                Outside.python("""
                import sys
                from PIL import Image
                sys.stdout.write(Image.open(sys.argv[1]).tobytes().hex())
                """, folder.resolve("webp-plain.tif")).transform(java.util.HexFormat.of()::parseHex);
        try (OpenedPicture opened = Pieces.FORMATS.open(folder.resolve("webp.tif"))) {
            assertThat(opened.raster().samples().toArray(ValueLayout.JAVA_BYTE)).isEqualTo(expected);
        }
    }

    /** Luminance and differences, subsampled and not packed by JPEG: libtiff's conversion, as tiff2rgba has it. */
    @Test
    void luminanceAndDifferencesBecomeRgb() throws IOException {
        Outside.shell("""
                cd "$1"
                tiff2rgba -c none -n ycc.tif ycc-rgb.tif; tiff2rgba -c none -n ycc2.tif ycc2-rgb.tif
                """, folder);
        for (String name : new String[] {"ycc", "ycc2"}) {
            byte[] expected = Outside.python("""
                    import sys
                    from PIL import Image
                    sys.stdout.write(Image.open(sys.argv[1]).convert('RGB').tobytes().hex())
                    """, folder.resolve(name + "-rgb.tif"))
                    .transform(java.util.HexFormat.of()::parseHex);
            try (OpenedPicture opened = Pieces.FORMATS.open(folder.resolve(name + ".tif"))) {
                assertThat(opened.raster().samples().toArray(ValueLayout.JAVA_BYTE))
                        .as(name)
                        .isEqualTo(expected);
            }
        }
    }

    @ParameterizedTest
    @CsvSource({
        "half, tiff-float, floating-point",
        "float, tiff-float, floating-point",
        "deep32, tiff-depth, 32 bits",
        "unlike, tiff-unlike-channels, unlike bits",
        "lab, tiff-colour, L*a*b*",
        "raw, tiff-colour, raw picture",
        "mask, tiff-colour, mask",
        "inks, tiff-inks, other inks",
        "packing, tiff-packing, 34712"
    })
    void whatIsNotReadIsNamed(String name, String code, String word) {
        assertThatThrownBy(() -> Pieces.FORMATS.inspect(folder.resolve(name + ".tif")))
                .isInstanceOfSatisfying(UnusablePictureException.class, refused -> {
                    assertThat(refused.code()).isEqualTo(code);
                    assertThat(refused.kind()).isEqualTo(UnusablePictureException.Kind.NOT_FOR_EMBRICK);
                })
                .hasMessageContaining(word);
    }

    /** A smaller copy in front is passed over; of the two whole pages the first is read and the other told. */
    @Test
    void theFirstWholePageIsRead() throws IOException {
        SourceFacts facts = Pieces.FORMATS.inspect(folder.resolve("pages.tif"));
        assertThat(facts.pages()).isEqualTo(Pages.FIRST_OF_SEVERAL);
        assertThat(facts.colour().model()).isEqualTo(ColourModel.RGB);
        byte[] main = Files.readAllBytes(folder.resolve("mainpage.tif"));
        try (OpenedPicture opened = Pieces.FORMATS.open(folder.resolve("pages.tif"))) {
            byte[] ours = opened.raster().samples().toArray(ValueLayout.JAVA_BYTE);
            assertThat(ours).isEqualTo(java.util.Arrays.copyOfRange(main, 8, 8 + ours.length));
        }
    }

    /** Half of the strips are missing: what is there is shown, and told where it ends. */
    @Test
    void aCutFileIsToldFromItsFirstMissingRow() throws IOException {
        Path cut = folder.resolve("cut.tif");
        Outside.shell("cd \"$1\" && tiffcp -c zip -r 1 rgb8.tif strips.tif", folder);
        // tiffcp writes its directory last: a file of ours has it first, so rows are cleared instead of cut.
        byte[] bytes = Files.readAllBytes(folder.resolve("strips.tif"));
        for (int at = bytes.length / 2; at < bytes.length * 3 / 4; at++) {
            bytes[at] = 0;
        }
        Files.write(cut, bytes);
        try (OpenedPicture opened = Pieces.FORMATS.openAsItIs(cut, Integer.MAX_VALUE)) {
            assertThat(opened.damage()).isPresent();
            double begins = opened.damage().get().begins();
            assertThat(begins).isBetween(0.3, 0.7);
        }
        assertThatThrownBy(() -> Pieces.FORMATS.open(cut)).isInstanceOf(UnusablePictureException.class);
    }

    /** Of Deflate there is a checksum: every whole file passes it, strips, tiles and planes; one bit more does not. */
    @Test
    void packedPartsAreHeldAgainstTheirChecksum() throws IOException {
        for (String name : new String[] {
            "packed-zip-8",
            "packed-zip-2-16",
            "tiled-zip-8",
            "tiled-zip-2-16",
            "alpha-zip-8",
            "separate-zip",
            "separatetiled-zip",
            "bigmotorola",
            "packed-lzw-8",
            "grey1"
        }) {
            assertThat(Pieces.FORMATS.examine(folder.resolve(name + ".tif")).damage())
                    .as(name)
                    .isEmpty();
        }
        byte[] bytes = Files.readAllBytes(folder.resolve("alpha-zip-8.tif"));
        bytes[bytes.length / 2] ^= 4;
        Path other = Files.write(folder.resolve("other.tif"), bytes);
        assertThat(Pieces.FORMATS.examine(other).damage()).isPresent();
    }
}
