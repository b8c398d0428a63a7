package embrick.server.counter;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface CounterPieceRepository extends JpaRepository<CounterPiece, CounterPiece.Key> {
    @Query("select p from CounterPiece p where p.key.orderId = :orderId order by p.key.number")
    List<CounterPiece> ofOrder(UUID orderId);
}
