package embrick.standins.counter;

import embrick.core.lab.LabProduct;
import embrick.standins.common.RefusedException;
import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** What the counter makes, its rules and prices. */
@Component
class Catalogue {
    private final Products products;

    Catalogue(JsonMapper json) throws IOException {
        try (InputStream in = Catalogue.class.getResourceAsStream("products.json")) {
            this.products = json.readValue(in, Products.class);
        }
    }

    /** @param currency an invented one */
    record Products(String lab, String currency, List<LabProduct> products) {}

    Products all() {
        return products;
    }

    LabProduct get(String id) {
        return products.products().stream()
                .filter(product -> product.id().equals(id))
                .findFirst()
                .orElseThrow(() -> RefusedException.invalid("no-such-product", "There is no product " + id + "."));
    }
}
