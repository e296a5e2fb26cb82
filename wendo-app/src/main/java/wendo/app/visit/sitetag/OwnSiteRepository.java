package wendo.app.visit.sitetag;

import java.util.List;
import org.springframework.data.repository.Repository;

interface OwnSiteRepository extends Repository<OwnSite, String> {
    List<OwnSite> findAllByOrderByHost();

    boolean existsById(String host);

    void save(OwnSite site);

    void deleteById(String host);
}
