package wendo.app.place.subscribers;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface NewsletterListRepository extends Repository<NewsletterList, UUID> {
    @Query("select l from NewsletterList l where l.archivedAt is null order by lower(l.name), l.id")
    List<NewsletterList> findOpen();

    @Query("select l from NewsletterList l where l.id = :id and l.archivedAt is null")
    Optional<NewsletterList> findOpen(UUID id);

    /** Archived ones too: links that lead to them go on. */
    Optional<NewsletterList> findById(UUID id);

    NewsletterList saveAndFlush(NewsletterList list);
}
