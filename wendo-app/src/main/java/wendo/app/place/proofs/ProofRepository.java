package wendo.app.place.proofs;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface ProofRepository extends Repository<StoredProof, UUID> {
    Optional<StoredProof> findById(UUID id);

    @Query("""
            select proof from StoredProof proof
            where proof.id in (select row.proofId from ProofLink row where row.linkId = :link) order by proof.openedAt desc
            """)
    List<StoredProof> ofLink(UUID link);

    void save(StoredProof proof);
}
