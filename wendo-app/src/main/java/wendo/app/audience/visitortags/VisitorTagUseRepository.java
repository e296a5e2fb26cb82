package wendo.app.audience.visitortags;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface VisitorTagUseRepository extends Repository<VisitorTagUse, UUID> {
    List<VisitorTagUse> findAll();

    List<VisitorTagUse> findByTagId(UUID tag);

    List<VisitorTagUse> findByScopeAndAbout(String scope, UUID about);

    void save(VisitorTagUse use);

    @Modifying
    @Query("delete from VisitorTagUse u where u.tagId = :tag and u.scope <> 'link'")
    void deleteWideUses(UUID tag);

    @Modifying
    @Query("delete from VisitorTagUse u where u.scope = :scope and u.about = :about")
    void deleteUses(String scope, UUID about);
}
