package wendo.app.platform.sending;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface ClipRepository extends Repository<StoredClip, UUID> {
    /** Without their contents, which are large. */
    @Query("""
            select new wendo.app.platform.sending.Clips$Listed(clip.id, clip.name, clip.type)
            from StoredClip clip order by clip.name, clip.addedAt
            """)
    List<Clips.Listed> list();

    Optional<StoredClip> findById(UUID id);

    void save(StoredClip clip);
}
