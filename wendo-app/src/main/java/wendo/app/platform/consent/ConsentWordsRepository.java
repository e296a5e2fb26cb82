package wendo.app.platform.consent;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface ConsentWordsRepository extends JpaRepository<ConsentWords, UUID> {
    Optional<ConsentWords> findFirstByPlaceAndPlaceIdOrderByEditionDesc(String place, UUID placeId);
}
