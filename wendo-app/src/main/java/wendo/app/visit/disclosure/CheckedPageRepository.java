package wendo.app.visit.disclosure;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface CheckedPageRepository extends Repository<CheckedPage, UUID> {
    /** Those that say nothing first, then by address. */
    @Query(
            "select p from CheckedPage p order by case p.said when 'nobody' then 0 when 'tag' then 1 else 2 end, p.address")
    List<CheckedPage> all();

    @Modifying
    @Query("delete CheckedPage p")
    void forgetAll();

    void save(CheckedPage page);
}
