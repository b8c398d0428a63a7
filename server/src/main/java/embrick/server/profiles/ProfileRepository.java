package embrick.server.profiles;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface ProfileRepository extends JpaRepository<ProfileEntity, String> {
    List<ProfileEntity> findAllByOrderByName();
}
