package wendo.app.visit.sitetag;

import java.util.List;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface OwnSiteRepository extends Repository<OwnSite, String> {
    List<OwnSite> findAllByOrderByHost();

    boolean existsById(String host);

    void save(OwnSite site);

    void deleteById(String host);

    @Modifying(flushAutomatically = true, clearAutomatically = true)
    @Query(nativeQuery = true, value = """
            delete from tag_call where exists (select from unnest(:contacts) c where position(c in lower(fields::text)) > 0)
            """)
    void eraseCalls(String[] contacts);
}
