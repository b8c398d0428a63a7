package embrick.standins.counter;

import embrick.standins.common.RefusedException;
import embrick.standins.common.StateFiles;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** All orders, each in a folder of its own with the files of its pieces. */
@Component
class OrderBook {
    private final StateFiles files;
    private final Path home;
    private final Map<String, Order> orders = new ConcurrentHashMap<>();

    OrderBook(StateFiles files, @Value("${standin.home}") Path home) {
        this.files = files;
        this.home = home.resolve("orders");
        load();
    }

    private void load() {
        if (!Files.isDirectory(home)) {
            return;
        }
        try (Stream<Path> folders = Files.list(home)) {
            folders.map(folder -> folder.resolve("order.json"))
                    .map(file -> files.read(file, Order.class))
                    .flatMap(Optional::stream)
                    .forEach(order -> orders.put(order.id(), order));
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    Collection<Order> all() {
        return List.copyOf(orders.values());
    }

    Order get(String id) {
        return Optional.ofNullable(orders.get(id)).orElseThrow(() -> RefusedException.notFound("order"));
    }

    Order.Piece piece(String id, int number) {
        return get(id).pieces().stream()
                .filter(piece -> piece.number() == number)
                .findFirst()
                .orElseThrow(() -> RefusedException.notFound("piece in this order"));
    }

    synchronized Optional<Order> withKey(String key) {
        return orders.values().stream().filter(order -> order.key().equals(key)).findFirst();
    }

    synchronized Order add(Order order) {
        return keep(order);
    }

    /** One change after the other, each on what the one before has left. */
    synchronized Order change(String id, UnaryOperator<Order> change) {
        return keep(change.apply(get(id)));
    }

    private Order keep(Order order) {
        files.write(folder(order.id()).resolve("order.json"), order);
        orders.put(order.id(), order);
        return order;
    }

    Path folder(String id) {
        return home.resolve(id);
    }
}
