package embrick.server.products;

import embrick.core.plan.ProductCheck;
import embrick.core.problem.Problem;
import embrick.core.source.SourceFacts;
import embrick.core.ticket.ProductRule;
import embrick.server.documents.ProductRuleDocument;
import embrick.server.documents.StoredJson;
import embrick.server.kept.Kept;
import embrick.server.kept.KeptKind;
import embrick.server.kept.KeptShelf;
import embrick.server.originals.Original;
import embrick.server.originals.OriginalRepository;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** Holds a job's pictures against all product rules. */
@RestController
class ProductController {
    private final KeptShelf shelf;
    private final OriginalRepository originals;
    private final StoredJson json;

    ProductController(KeptShelf shelf, OriginalRepository originals, StoredJson json) {
        this.shelf = shelf;
        this.originals = originals;
        this.json = json;
    }

    record PictureForProduct(
            @NotNull UUID originalId,
            double bestPpi,

            @Schema(nullable = true, description = "Why the picture cannot serve; null where it can")
            Problem problem) {}

    record ProductView(
            @NotNull UUID keptId,
            @NotNull String name,
            @NotNull ProductRuleDocument rule,
            @NotNull List<PictureForProduct> pictures) {}

    /** All product rules, each with the pictures of a job that have facts, and whether they can serve for it. */
    @GetMapping("/api/v1/jobs/{jobId}/products")
    @Transactional(readOnly = true)
    List<ProductView> listProducts(@PathVariable UUID jobId) {
        List<Original> pictures = originals.inOrder(jobId).stream()
                .filter(original -> original.facts().isPresent())
                .toList();
        return shelf.all(KeptKind.PRODUCT).stream()
                .map(kept -> product(kept, pictures))
                .toList();
    }

    private ProductView product(Kept kept, List<Original> pictures) {
        ProductRuleDocument document = (ProductRuleDocument) json.kept(kept.document());
        ProductRule rule = document.toRule(kept.name());
        return new ProductView(
                kept.id(),
                kept.name(),
                document,
                pictures.stream().map(picture -> held(picture, rule)).toList());
    }

    private PictureForProduct held(Original picture, ProductRule rule) {
        SourceFacts facts = json.facts(picture.facts().orElseThrow());
        Optional<Problem> problem = ProductCheck.problem(facts.seen(), rule);
        return new PictureForProduct(picture.id(), rule.bestPpi(facts.seen()), problem.orElse(null));
    }
}
