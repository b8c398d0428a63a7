package embrick.bench;

import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.Map;

/** The works that are measured, by name. */
final class Works implements AutoCloseable {
    private final Bed bed = new Bed();
    private final PieceWorks pieces;
    private final Map<String, Work.Making> works = new LinkedHashMap<>();

    Works(Pictures pictures) {
        pieces = new PieceWorks(bed, pictures);
        pieces.addTo(works);
        new StageWorks(bed).addTo(works);
        new CanvasWorks(bed, pictures).addTo(works);
        new ProofWorks(bed, pictures).addTo(works);
        new GrownWorks(bed, pictures).addTo(works);
        ColourWorks.addTo(works);
        FoundWorks.addTo(works);
    }

    Work named(String name) throws IOException {
        Work.Making making = works.get(name);
        if (making == null) {
            throw new IllegalArgumentException("work: expected one of " + works.keySet() + ", got " + name);
        }
        return making.make();
    }

    @Override
    public void close() throws IOException {
        pieces.close();
        bed.close();
    }
}
