package embrick.bench;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;

/** The same job by Pillow, Debian's python3-pil. */
final class Pillow {
    private static final String DRAW = """
            import sys
            from PIL import Image, ImageFilter
            w, h = 6000, 4000
            parts = [Image.effect_noise((w // 4, h // 4), s).resize((w, h), Image.BICUBIC) for s in (60, 50, 40)]
            grain = Image.effect_noise((w, h), 12)
            im = Image.merge('RGB', [Image.blend(p, grain, 0.3) for p in parts])
            im.save(sys.argv[1], quality=95, subsampling=0)
            """;

    private static final String MEASURE = """
            import sys, time, io
            from PIL import Image, ImageCms
            srgb = ImageCms.ImageCmsProfile(ImageCms.createProfile('sRGB')).tobytes()
            def make():
                im = Image.open(sys.argv[1])
                out = im.resize((3000, 2400), Image.LANCZOS, box=(500, 0, 5500, 4000))
                out.save(sys.argv[2], 'JPEG', quality=95, subsampling=0, dpi=(300, 300), icc_profile=srgb)
            make()
            for i in range(int(sys.argv[3])):
                c, w = time.process_time(), time.perf_counter()
                make()
                c, w = time.process_time() - c, time.perf_counter() - w
                peak = next(l.split()[1] for l in open('/proc/self/status') if l.startswith('VmHWM'))
                print('measured', c, w, peak)
            """;

    private Pillow() {}

    static void draw(Path original) throws IOException, InterruptedException {
        Processes.run(List.of("/usr/bin/python3", "-c", DRAW, original.toString()));
    }

    static List<Measured> measure(Path original, Path piece, int pictures) throws IOException, InterruptedException {
        return Measured.parse(Processes.run(
                List.of("/usr/bin/python3", "-c", MEASURE, original.toString(), piece.toString(), "" + pictures)));
    }
}
